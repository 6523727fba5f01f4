package org.opensatchel.formats.avi;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** AVI films (Multimedia Programming Interface; OpenDML 1.02). */
public final class Avi {

    public static final Format FORMAT = Format.of("avi")
            .endings(FileKind.MOVING_PICTURE, "avi")
            .begins(ContentWording.AVI, Set.of("video/x-msvideo"), "RIFF....AVI")
            .facts(new AviFacts());

    private Avi() {
    }
}
