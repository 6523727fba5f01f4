package org.opensatchel.formats.subtitles;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Texts with times: WebVTT (W3C) and SubRip. */
public final class Subtitles {

    public static final Format WEBVTT = Format.of("vtt")
            .endings(FileKind.TEXT, "vtt")
            .facts(new WebVttFacts());
    public static final Format SUBRIP = Format.of("srt")
            .endings(FileKind.TEXT, "srt")
            .text()
            .facts(new SubRipFacts());

    private Subtitles() {
    }
}
