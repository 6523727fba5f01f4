package org.opensatchel.worker.view;

import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.text.Passage;

/**
 * A file, as it is shown: nothing of it is in a form that could run.
 *
 * @param kind what it is
 * @param bytes its size
 * @param passage its lines around the place that was asked for
 * @param active whether it would run something if it were opened: a page, or a drawing with scripts
 * @param cut whether it is longer than what is shown of it
 */
public record FileView(Kind kind, long bytes, Optional<Passage> passage, boolean active, Optional<Wave> wave, boolean cut) {

    /** What a file is shown as. */
    public enum Kind {
        TEXT, PICTURE, SOUND, NONE
    }

    /**
     * A sound as one line.
     *
     * @param peaks from 0 to 1, one for each column
     * @param peakDb the highest peak in dBFS; not there for silence
     * @param seconds how long it is
     * @param rate samples a second
     */
    public record Wave(List<Double> peaks, Optional<Double> peakDb, double seconds, int channels, int rate) {}

    static FileView none(long bytes) {
        return new FileView(Kind.NONE, bytes, Optional.empty(), false, Optional.empty(), false);
    }
}
