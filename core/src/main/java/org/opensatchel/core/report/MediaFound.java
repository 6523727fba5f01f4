package org.opensatchel.core.report;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What the pictures, films and sounds of a project are, a line for each file.
 *
 * @param files how many there are; of more than are kept, those of which a brief asks something come first
 */
public record MediaFound(int files, List<Line> lines) {

    /** Files that a report keeps. */
    public static final int MOST = 2_000;
    private static final int MOST_SHOWN = 240;

    /**
     * One file.
     *
     * @param format the container by its standard name
     * @param end {@code whole}, {@code cut}, {@code open} or {@code unread}: whether structure and end of the file agree
     * @param seconds how long it plays
     * @param picture its first pictures
     * @param sounds its tracks of sound
     * @param levels what was measured of the first of them
     * @param differs the codes of what is not as a brief asks
     * @param band where a brief wants its peaks, in dBFS
     * @param cues how many words with times a list of such has
     */
    public record Line(String path, String format, String end, Optional<Double> seconds, Optional<Picture> picture, List<Sound> sounds,
            Optional<Levels> levels, List<String> differs, Optional<List<Double>> band, Optional<Integer> cues, Optional<Font> font,
            Optional<Model> model) {}

    /** Letters; the family as people choose it. */
    public record Font(Optional<String> family, Optional<String> style, Optional<Long> glyphs) {}

    /**
     * A model.
     *
     * @param faces triangles, or surfaces of any number of corners
     * @param textures pictures in it, and those it leads to that are there
     * @param largest of them, as {@code 4096x4096} pixels
     */
    public record Model(long vertices, long faces, int textures, Optional<String> largest) {}

    /**
     * Pictures of one size.
     *
     * @param width as it is shown; where it is stored in another, {@code stored} has that
     * @param rate pictures a second as a fraction, {@code 30000/1001}
     * @param colour how colours are written, like {@code CMYK} or {@code BT.709}
     */
    public record Picture(String codec, int width, int height, Optional<String> stored, Optional<String> pixelAspect,
            Optional<Integer> turned, Optional<String> rate, Optional<Boolean> constant, Optional<Integer> bits, Optional<Boolean> alpha,
            Optional<String> colour) {}

    /**
     * Sounds of one kind.
     *
     * @param rate samples a second
     * @param bits of one sample; empty where none are stored as they are
     */
    public record Sound(String codec, int channels, int rate, Optional<Integer> bits) {}

    /**
     * Levels of a sound.
     *
     * @param peakDb absent for silence
     * @param loudness in LUFS, where a brief asks for it
     * @param wave the highest sample of each of equal parts, from 0 to 100
     */
    public record Levels(Optional<Double> peakDb, long clipped, Optional<Double> loudness, Optional<List<Integer>> wave) {}

    /** As many lines as are shown at once: those that differ from a brief, then those a brief is about, in their order. */
    MediaFound shown() {
        if (lines.size() <= MOST_SHOWN) {
            return this;
        }
        List<Line> first = lines.stream().sorted(Comparator.comparing((Line line) -> line.differs().isEmpty())).limit(MOST_SHOWN).toList();
        return new MediaFound(files, first);
    }
}
