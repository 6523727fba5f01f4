package org.opensatchel.formats.gif;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** GIF pictures (version 89a). */
public final class Gif {

    public static final Format FORMAT = Format.of("gif")
            .compressed()
            .endings(FileKind.PICTURE, "gif")
            .begins(ContentWording.GIF, Set.of("image/gif"), "GIF8")
            .facts(new GifFacts());

    private Gif() {
    }
}
