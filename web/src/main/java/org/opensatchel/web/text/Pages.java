package org.opensatchel.web.text;

import org.springframework.data.domain.PageRequest;

/** Pages of long lists, as an address asks for them. */
public final class Pages {

    /** No list has more; a number from an address is any number. */
    private static final int MOST = 100_000;

    private Pages() {
    }

    /** @param page from 1, whatever an address says */
    public static PageRequest of(int page, int rows) {
        return PageRequest.of(Math.max(1, Math.min(page, MOST)) - 1, rows);
    }
}
