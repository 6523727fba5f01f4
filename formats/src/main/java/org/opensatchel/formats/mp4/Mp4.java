package org.opensatchel.formats.mp4;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** MP4 films and sounds (ISO/IEC 14496-12 and 14496-14), and the older MOV files. */
public final class Mp4 {

    public static final Format FORMAT = Format.of("mp4")
            .endings(FileKind.MOVING_PICTURE, "mp4", "m4v", "mov", "3gp")
            .endings(FileKind.SOUND, "m4a")
            .compressed()
            .looseEndings(FileKind.OTHER, "qt", "3g2")
            .begins(ContentWording.MP4,
                    Set.of("video/mp4", "video/quicktime", "video/x-m4v", "audio/mp4", "application/mp4", "video/3gpp", "video/3gpp2",
                            "application/quicktime"),
                    "....ftyp", "....moov", "....mdat", "....wide", "....free", "....skip", "....pnot")
            .facts(new Mp4Facts());

    private Mp4() {
    }
}
