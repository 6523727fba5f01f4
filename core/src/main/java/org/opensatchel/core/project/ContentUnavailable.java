package org.opensatchel.core.project;

import java.io.IOException;
import org.opensatchel.base.fact.Phrase;

/** A member whose content cannot be read: encrypted, damaged, packed by an unknown method, or refused by the system. */
public final class ContentUnavailable extends IOException {

    private static final long serialVersionUID = 1L;

    private final transient Phrase what;

    /** @param what what is wrong with it, completing “NAME …” */
    public ContentUnavailable(Phrase what) {
        super(what.key());
        this.what = what;
    }

    public Phrase what() {
        return what;
    }
}
