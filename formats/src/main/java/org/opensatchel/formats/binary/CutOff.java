package org.opensatchel.formats.binary;

import java.io.IOException;

/** The file ends before what is looked for there: within what describes it, since what is described is not read. */
public final class CutOff extends IOException {

    private static final long serialVersionUID = 1L;

    public CutOff(long at) {
        super("the file ends before " + at);
    }
}
