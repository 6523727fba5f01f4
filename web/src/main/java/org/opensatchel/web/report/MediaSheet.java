package org.opensatchel.web.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.core.check.brief.Shapes;
import org.opensatchel.core.report.MediaFound;
import org.opensatchel.core.report.MediaFound.Levels;
import org.opensatchel.core.report.MediaFound.Line;
import org.opensatchel.core.report.MediaFound.Picture;
import org.opensatchel.core.report.MediaFound.Sound;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/**
 * What the pictures, films and sounds of a project are, a row for each file, with what is not as the kit asks marked.
 *
 * @param files how many there are in all
 */
public record MediaSheet(int files, List<Row> rows) {

    private static final String SOUND = "sound";
    private static final String LEVEL = "level";
    private static final List<String> COLUMNS = List.of("frame", "pace", "length", SOUND, LEVEL);
    private static final Set<String> DRAWN = Set.of("PNG", "JPEG", "GIF", "BMP");
    private static final Set<String> OF_FRAME = Set.of("media.size", "media.aspect", "media.alpha");
    private static final Set<String> OF_PACE = Set.of("media.frame-rate", "media.variable-rate");
    private static final Set<String> OF_LENGTH = Set.of("media.too-long", "media.too-short");
    private static final Set<String> OF_SOUND = Set.of("media.sound", "media.silent", "media.sample-rate", "media.channels");
    private static final Set<String> OF_LEVEL = Set.of("media.peak-high", "media.peak-low", "media.clipping", "media.loudness");

    /** Ways of writing colours of which nothing has to be said. */
    private static final Set<String> USUAL = Set.of("RGB", "YCbCr", "palette", "BT.709");

    /**
     * A cell: what it says, what it is sorted by, and whether it is not as asked.
     *
     * @param note what more there is to say of it
     */
    public record Cell(String text, String note, String order, boolean differs) {

        static Cell none() {
            return new Cell("", "", "", false);
        }
    }

    /** @param thumb whether the file can be drawn small */
    public record Row(String path, String format, boolean cut, boolean thumb, Cell frame, Cell pace, Cell length, Cell sound, Cell level,
            Optional<Wave> wave) {

        private Cell cell(String column) {
            return switch (column) {
                case "frame" -> frame;
                case "pace" -> pace;
                case "length" -> length;
                case SOUND -> sound;
                default -> level;
            };
        }

        /** What stands in some columns, the level apart, which is drawn. */
        public List<Cell> cells(List<String> columns) {
            return columns.stream().filter(column -> !column.equals(LEVEL)).map(this::cell).toList();
        }
    }

    /** Those of the columns behind the file's name in which anything stands. */
    public List<String> columns() {
        return COLUMNS.stream().filter(column -> rows.stream().anyMatch(row -> !row.cell(column).text().isEmpty())).toList();
    }

    /**
     * A sound as one stitched line, with the band its peaks should be in. Measures in the units of a drawing 200 wide and 40 high.
     *
     * @param low how far from the middle the lower edge of the band lies; absent where none is asked for
     * @param peakX where its highest part is
     */
    public record Wave(String line, Optional<String> low, Optional<String> high, int peakX, double peakY) {

        private static final int MIDDLE = 20;
        private static final double REACH = 19;

        static Wave of(List<Integer> parts, Optional<List<Double>> band) {
            StringBuilder line = new StringBuilder();
            int highest = 0;
            for (int i = 0; i < parts.size(); i++) {
                highest = parts.get(i) > parts.get(highest) ? i : highest;
                double half = Math.max(0.4, parts.get(i) / 100.0 * REACH);
                line.append(String.format(Locale.ROOT, "M%.1f %.1fV%.1f", i + 0.5, MIDDLE - half, MIDDLE + half));
            }
            return new Wave(line.toString(), band.map(range -> threads(range.get(0))), band.map(range -> threads(range.get(1))), highest,
                    MIDDLE - parts.get(highest) / 100.0 * REACH);
        }

        /** A level above and below the middle. */
        private static String threads(double decibels) {
            double half = Math.min(1, Math.pow(10, decibels / 20)) * REACH;
            return String.format(Locale.ROOT, "M0 %.1fH200M0 %.1fH200", MIDDLE - half, MIDDLE + half);
        }
    }

    static Optional<MediaSheet> of(ReportDigest digest) {
        return digest.head().media().map(MediaSheet::of);
    }

    static MediaSheet of(MediaFound media) {
        return new MediaSheet(media.files(), media.lines().stream().map(MediaSheet::row).toList());
    }

    private static Row row(Line line) {
        return new Row(line.path(), about(line), line.end().equals("cut"), DRAWN.contains(line.format()),
                line.picture().map(picture -> frame(picture, line)).orElseGet(Cell::none),
                line.picture().flatMap(picture -> pace(picture, line)).orElseGet(Cell::none),
                line.seconds().map(seconds -> length(seconds, line)).orElseGet(Cell::none), sound(line), level(line),
                line.levels().flatMap(Levels::wave).map(wave -> Wave.of(wave, line.band())));
    }

    /** What it is, with what more there is to say of words, letters and models. */
    private static String about(Line line) {
        List<String> parts = new ArrayList<>(List.of(line.format()));
        line.cues().ifPresent(cues -> parts.add(Speech.say("media.cues", cues)));
        line.font().ifPresent(font -> {
            String name = String.join(" ", Stream.of(font.family(), font.style()).flatMap(Optional::stream).map(Names::shown).toList());
            if (!name.isEmpty()) {
                parts.add(name);
            }
        });
        line.model().ifPresent(model -> {
            parts.add(Speech.say("media.vertices", model.vertices()));
            if (model.textures() > 0) {
                String textures = Speech.say("media.textures", model.textures());
                parts.add(model.largest().map(size -> textures + " " + Speech.say("media.largest", size.replace("x", " × ")))
                        .orElse(textures));
            }
        });
        return String.join(", ", parts);
    }

    private static boolean differs(Line line, Set<String> codes) {
        return line.differs().stream().anyMatch(codes::contains);
    }

    private static Cell frame(Picture picture, Line line) {
        List<String> notes = new ArrayList<>();
        if (picture.width() > 0 && picture.height() > 0) {
            notes.add(Shapes.name(picture.width(), picture.height()));
        }
        if (!picture.codec().equals(line.format())) {
            notes.add(picture.codec());
        }
        picture.bits().ifPresent(bits -> notes.add(Speech.say("media.bits", bits)));
        picture.alpha().filter(yes -> yes).ifPresent(yes -> notes.add(Speech.say("media.alpha")));
        picture.colour().filter(colour -> !USUAL.contains(colour)).ifPresent(colour -> notes.add(
                colour.equals("grey") ? Speech.say("media.grey") : colour));
        picture.stored().ifPresent(stored -> notes.add(Speech.say("media.stored", stored.replace("x", " × "))));
        return new Cell(picture.width() + " × " + picture.height(), String.join(", ", notes),
                Long.toString((long) picture.width() * picture.height()),
                differs(line, OF_FRAME) || line.differs().contains("media.codec") && line.sounds().isEmpty());
    }

    private static Optional<Cell> pace(Picture picture, Line line) {
        return picture.rate().map(rate -> {
            double value = fraction(rate);
            boolean varies = picture.constant().filter(same -> !same).isPresent();
            String text = value == Math.rint(value) ? Long.toString(Math.round(value)) : String.format(Locale.ROOT, "%.2f", value);
            return new Cell(text, varies ? Speech.say("media.varies") : "", Double.toString(value), differs(line, OF_PACE));
        });
    }

    private static double fraction(String rate) {
        String[] parts = rate.split("/");
        return Double.parseDouble(parts[0]) / (parts.length > 1 ? Double.parseDouble(parts[1]) : 1);
    }

    private static Cell length(double seconds, Line line) {
        long whole = Math.round(seconds * 10);
        String text = seconds < 60 ? String.format(Locale.ROOT, "%d.%d s", whole / 10, whole % 10)
                : String.format(Locale.ROOT, "%d:%02d", Math.round(seconds) / 60, Math.round(seconds) % 60);
        return new Cell(text, "", Double.toString(seconds), differs(line, OF_LENGTH));
    }

    private static Cell sound(Line line) {
        boolean differs = differs(line, OF_SOUND);
        if (line.sounds().isEmpty()) {
            boolean film = line.picture().flatMap(Picture::rate).isPresent();
            return film ? new Cell(Speech.say("media.silent"), "", "0", differs) : Cell.none();
        }
        Sound first = line.sounds().get(0);
        List<String> notes = new ArrayList<>(List.of(first.codec()));
        first.bits().ifPresent(bits -> notes.add(Speech.say("media.bits", bits)));
        if (line.sounds().size() > 1) {
            notes.add(Speech.say("media.tracks", line.sounds().size()));
        }
        String kilohertz = String.format(Locale.ROOT, "%.1f", first.rate() / 1_000.0).replaceFirst("\\.0$", "");
        return new Cell(Speech.say("media.sound", first.channels(), kilohertz), String.join(", ", notes), Integer.toString(first.rate()),
                differs || line.differs().contains("media.codec") && line.picture().isEmpty()
                        || line.differs().contains("media.bit-depth") && line.picture().isEmpty());
    }

    private static Cell level(Line line) {
        return line.levels().map(levels -> {
            List<String> notes = new ArrayList<>();
            if (levels.clipped() > 0) {
                notes.add(Speech.say("media.clipped", levels.clipped()));
            }
            levels.loudness().ifPresent(loudness -> notes.add(Speech.say("media.lufs", tenths(loudness))));
            return new Cell(levels.peakDb().map(peak -> Speech.say("media.peak", tenths(peak))).orElseGet(() -> Speech.say("media.quiet")),
                    String.join(", ", notes), levels.peakDb().map(peak -> Double.toString(peak + 1_000)).orElse("0"),
                    differs(line, OF_LEVEL));
        }).orElseGet(Cell::none);
    }

    /** With a proper minus; a hyphen would be taken for a range. */
    private static String tenths(double value) {
        return String.format(Locale.ROOT, "%.1f", value == 0 ? 0.0 : value).replace('-', '−');
    }
}
