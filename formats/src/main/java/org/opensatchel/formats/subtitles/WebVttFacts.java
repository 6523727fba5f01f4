package org.opensatchel.formats.subtitles;

import java.io.IOException;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaReader;

/** WebVTT (W3C WebVTT: The Web Video Text Tracks Format, section 4.1, and 4.2 for its times). */
final class WebVttFacts implements MediaReader {

    private static final String BEGIN = "WEBVTT";

    @Override
    public String container() {
        return "WebVTT";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        String text = CueTimes.head(head);
        return text.startsWith(BEGIN) && (text.length() == BEGIN.length() || Character.isWhitespace(text.charAt(BEGIN.length())));
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        return CueTimes.read(container(), file);
    }
}
