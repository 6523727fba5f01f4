package org.opensatchel.formats.webp;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** WebP pictures (RFC 9649). */
public final class Webp {

    public static final Format FORMAT = Format.of("webp")
            .compressed()
            .endings(FileKind.PICTURE, "webp")
            .begins(ContentWording.WEBP, Set.of("image/webp"), "RIFF....WEBP")
            .facts(new WebpFacts());

    private Webp() {
    }
}
