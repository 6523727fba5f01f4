package org.opensatchel.formats.media;

import java.util.List;
import org.opensatchel.formats.sound.PcmFormat;

/**
 * Where the samples of a sound lie that is stored as it is.
 *
 * @param runs in the order in which they are heard
 */
public record Samples(PcmFormat format, List<Run> runs) {

    public Samples {
        runs = List.copyOf(runs);
    }

    /** Bytes one after the other, from a place of the file on. */
    public record Run(long at, long bytes) {}
}
