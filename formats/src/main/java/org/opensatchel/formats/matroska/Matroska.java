package org.opensatchel.formats.matroska;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Matroska films and sounds (RFC 9559), and WebM. */
public final class Matroska {

    public static final Format FORMAT = Format.of("matroska")
            .endings(FileKind.MOVING_PICTURE, "mkv", "webm")
            .endings(FileKind.OTHER, "mka")
            .compressed()
            .begins(ContentWording.MATROSKA, Set.of("video/x-matroska", "video/webm", "audio/x-matroska"), "\u001aE\u00df\u00a3")
            .facts(new MatroskaFacts());

    private Matroska() {
    }
}
