package org.opensatchel.web.storage;

import java.io.IOException;

/** The store has no room for what comes, or cannot be written to: our fault, never that of whoever sent it. */
public final class NoRoom extends IOException {

    private static final long serialVersionUID = 1L;

    public NoRoom(String message, Throwable cause) {
        super(message, cause);
    }
}
