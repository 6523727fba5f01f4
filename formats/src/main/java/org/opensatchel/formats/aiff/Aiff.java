package org.opensatchel.formats.aiff;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** AIFF and AIFF-C sounds (AIFF 1.3). */
public final class Aiff {

    public static final Format FORMAT = Format.of("aiff")
            .endings(FileKind.SOUND, "aif", "aiff")
            .endings(FileKind.OTHER, "aifc")
            .begins(ContentWording.AIFF, Set.of("audio/x-aiff", "audio/aiff"), "FORM....AIF")
            .facts(new AiffFacts());

    private Aiff() {
    }
}
