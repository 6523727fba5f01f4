package org.opensatchel.formats.flac;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** FLAC sounds (RFC 9639). */
public final class Flac {

    public static final Format FORMAT = Format.of("flac")
            .endings(FileKind.SOUND, "flac")
            .compressed()
            .begins(ContentWording.FLAC, Set.of("audio/x-flac", "audio/flac"), "fLaC", "ID3")
            .facts(new FlacFacts());

    private Flac() {
    }
}
