package org.opensatchel.core.project;

import java.io.IOException;

/** A member whose content cannot be read: encrypted, damaged, packed by an unknown method, or refused by the system. */
public final class ContentUnavailable extends IOException {

    private static final long serialVersionUID = 1L;

    /** @param phrase what is wrong with it, completing “NAME …” */
    public ContentUnavailable(String phrase) {
        super(phrase);
    }

    public String phrase() {
        return getMessage();
    }
}
