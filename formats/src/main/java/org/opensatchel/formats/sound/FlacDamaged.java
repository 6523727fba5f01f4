package org.opensatchel.formats.sound;

import java.io.IOException;

/** What is to be decoded is no FLAC, or is damaged from here on. */
public final class FlacDamaged extends IOException {

    private static final long serialVersionUID = 1L;

    FlacDamaged(String what) {
        super(what);
    }
}
