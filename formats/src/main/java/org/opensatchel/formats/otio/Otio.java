package org.opensatchel.formats.otio;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** OpenTimelineIO timelines, alone and bundled with their media. */
public final class Otio {

    public static final Format TIMELINE = Format.of("otio")
            .endings(FileKind.OTHER, "otio")
            .text()
            .links(new OtioLinks())
            .timelines(new OtioTimelines());
    public static final Format BUNDLE = Format.of("otioz")
            .endings(FileKind.OTHER, "otioz")
            .links(new OtiozLinks());

    private Otio() {
    }
}
