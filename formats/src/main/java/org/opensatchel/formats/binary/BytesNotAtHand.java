package org.opensatchel.formats.binary;

import java.io.IOException;

/** What has to be read lies in a part of the file that is not at hand: nothing is wrong with the file. */
public final class BytesNotAtHand extends IOException {

    private static final long serialVersionUID = 1L;

    public BytesNotAtHand(long at) {
        super("no bytes at " + at);
    }
}
