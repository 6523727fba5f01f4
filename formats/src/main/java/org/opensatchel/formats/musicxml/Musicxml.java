package org.opensatchel.formats.musicxml;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** MusicXML scores (W3C MusicXML 4.0), packed or not. */
public final class Musicxml {

    public static final Format FORMAT = Format.of("musicxml")
            .endings(FileKind.OTHER, "musicxml", "mxl")
            .links(new MusicxmlLinks());

    private Musicxml() {
    }
}
