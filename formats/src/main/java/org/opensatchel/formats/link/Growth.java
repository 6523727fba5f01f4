package org.opensatchel.formats.link;

/** How much something packed may grow, as archives that are handed in are held to: what unpacks to more is made to do harm. */
public final class Growth {

    /** The most that one packed byte of anything real stands for, of what is long. */
    public static final int MOST = 200;
    private static final long FLOOR = 10L << 20;

    private Growth() {
    }

    /** Whether more came out, in bytes, than anything real packs into so few. */
    public static boolean isTooMuch(long unpacked, long packed) {
        return unpacked > FLOOR && unpacked / MOST > packed;
    }
}
