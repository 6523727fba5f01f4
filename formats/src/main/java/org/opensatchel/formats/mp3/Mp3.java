package org.opensatchel.formats.mp3;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** MPEG audio (ISO/IEC 11172-3, ISO/IEC 13818-3). */
public final class Mp3 {

    public static final Format FORMAT = Format.of("mp3")
            .endings(FileKind.SOUND, "mp3")
            .compressed()
            .looseEndings(FileKind.OTHER, "mp2", "mpga")
            .begins(ContentWording.MP3, Set.of("audio/mpeg"), "ID3", "\u00ff\u00fb", "\u00ff\u00f3", "\u00ff\u00f2", "\u00ff\u00fa")
            .facts(new Mp3Facts());

    private Mp3() {
    }
}
