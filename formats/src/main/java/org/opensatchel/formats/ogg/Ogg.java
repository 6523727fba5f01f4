package org.opensatchel.formats.ogg;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Ogg sounds and films (RFC 3533). */
public final class Ogg {

    public static final Format FORMAT = Format.of("ogg")
            .endings(FileKind.SOUND, "ogg", "oga", "opus")
            .endings(FileKind.MOVING_PICTURE, "ogv")
            .compressed()
            .looseEndings(FileKind.OTHER, "spx")
            .begins(ContentWording.OGG, Set.of("audio/ogg", "audio/vorbis", "audio/opus", "video/ogg", "video/theora"), "OggS")
            .facts(new OggFacts());

    private Ogg() {
    }
}
