package org.opensatchel.web.http;

import java.util.concurrent.atomic.AtomicBoolean;

/** Something that is given back once, however many come to do it. */
final class Once {

    private final AtomicBoolean over = new AtomicBoolean();
    private final Runnable giveBack;

    Once(Runnable giveBack) {
        this.giveBack = giveBack;
    }

    void end() {
        if (over.compareAndSet(false, true)) {
            giveBack.run();
        }
    }

    /** Ends what stands in a request's attribute, where there is one. */
    static void end(Object attribute) {
        if (attribute instanceof Once once) {
            once.end();
        }
    }
}
