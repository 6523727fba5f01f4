package org.opensatchel.formats.wav;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** WAVE sounds (Multimedia Programming Interface 1.0; EBU Tech 3306). */
public final class Wav {

    public static final Format FORMAT = Format.of("wav")
            .endings(FileKind.SOUND, "wav", "wave")
            .looseEndings(FileKind.OTHER, "bwf")
            .looseEndings(FileKind.SOUND, "rf64")
            .begins(ContentWording.WAVE, Set.of("audio/vnd.wave", "audio/x-wav", "audio/wav"), "RIFF....WAVE", "RF64....WAVE",
                    "BW64....WAVE", "RIFX....WAVE")
            .facts(new WavFacts());

    private Wav() {
    }
}
