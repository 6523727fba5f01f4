package org.opensatchel.formats.subtitles;

import java.io.IOException;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaReader;

/** SubRip text: numbered cues, each with a line {@code 00:00:01,000 --> 00:00:04,000}. No standard describes it; programs agree on this. */
final class SubRipFacts implements MediaReader {

    @Override
    public String container() {
        return "SubRip";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        String text = CueTimes.head(head);
        return !text.startsWith("WEBVTT") && CueTimes.hasTimes(text);
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        return CueTimes.read(container(), file);
    }
}
