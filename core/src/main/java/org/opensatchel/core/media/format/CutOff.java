package org.opensatchel.core.media.format;

import java.io.IOException;

/** The file ends before what its structure says is there. */
final class CutOff extends IOException {

    private static final long serialVersionUID = 1L;

    CutOff(long at) {
        super("the file ends before " + at);
    }
}
