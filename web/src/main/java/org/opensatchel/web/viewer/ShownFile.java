package org.opensatchel.web.viewer;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.formats.text.Passage;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.view.FileView;

/**
 * A file as its page shows it.
 *
 * @param kind {@code text}, {@code picture}, {@code sound}, or {@code none} for what cannot be shown
 * @param active whether it would run something if it were opened: a page, or a drawing with scripts
 * @param trouble why it cannot be shown now, as a sentence
 */
record ShownFile(String kind, long bytes, Optional<Passage> passage, boolean active, Optional<WaveLine> wave, boolean cut,
        Optional<String> trouble) {

    static ShownFile of(FileView view) {
        return new ShownFile(view.kind().name().toLowerCase(Locale.ROOT), view.bytes(), view.passage(), view.active(),
                view.wave().map(WaveLine::new), view.cut(), Optional.empty());
    }

    static ShownFile none(long bytes, Optional<String> trouble) {
        return new ShownFile("none", bytes, Optional.empty(), false, Optional.empty(), false, trouble);
    }

    /** A sound as one stitched line. */
    record WaveLine(FileView.Wave wave) {

        public String peak() {
            return wave.peakDb().map(db -> Speech.say("viewer.peak", tenths(db))).orElseGet(() -> Speech.say("viewer.silent"));
        }

        public String length() {
            return Speech.say("viewer.length", tenths(wave.seconds()), wave.channels(), wave.rate());
        }

        private static BigDecimal tenths(double value) {
            return BigDecimal.valueOf(value).setScale(1, RoundingMode.HALF_UP);
        }

        /** Around the middle; measures in the units of a drawing 600 wide and 100 high. */
        public String line() {
            StringBuilder out = new StringBuilder();
            for (int i = 0; i < wave.peaks().size(); i++) {
                long half = Math.round(wave.peaks().get(i) * 48);
                out.append('M').append(i).append(' ').append(50 - half).append('V').append(50 + half + 1);
            }
            return out.toString();
        }
    }
}
