package org.opensatchel.web.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.TimelineFound;
import org.opensatchel.core.report.TimelineFound.Clip;
import org.opensatchel.core.report.TimelineFound.Track;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Markup;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/**
 * A timeline as strips of cloth: a track a strip, a clip a length of it between two stitches. What does not open is marked as in the thread
 * map. All measures in the units of the drawing.
 *
 * @param rows the same for those who read it
 */
public record TimelineDrawing(String document, String name, String about, int width, int height, List<Strip> strips, List<Tick> ticks,
        List<Row> rows, int more) {

    private static final int WIDTH = 1_180;
    private static final int LEFT = 132;
    private static final int RIGHT = 14;
    private static final int TOP = 30;
    private static final int TALL = 26;
    private static final int STEP = 34;
    private static final double LETTER = 6.9;
    private static final int MOST_TRACKS = 24;
    private static final int LONGEST_LABEL = 16;
    private static final double NARROWEST = 2.5;
    /** Ticks are so far apart at least, and mean one of these numbers of seconds. */
    private static final double APART = 76;
    private static final double[] NICE = {0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1_800, 3_600};

    /** A track; {@code kind} is {@code video}, {@code sound} or {@code other}. */
    public record Strip(int y, String kind, String label, String full, double length, List<Piece> pieces) {

        public int middle() {
            return y + TALL / 2;
        }

        /** Its clips as they stand in the page: of hundreds a template would take longer than all the rest. All that others named is escaped. */
        public String drawn(LinkPage links) {
            StringBuilder out = new StringBuilder();
            pieces.forEach(piece -> piece.write(links, out));
            return out.toString();
        }
    }

    /**
     * A clip.
     *
     * @param kind as threads are called: {@code ok}, {@code pinned}, {@code name}, {@code broken}, {@code far}; {@code none} for what has no
     *     file of its own
     * @param flagged whether something is told of the clip itself
     * @param finding the place among the findings of what is told of it; absent for nothing
     */
    public record Piece(double x, int y, double width, String kind, boolean off, boolean flagged, String label, String words,
            Optional<Integer> link, Optional<Integer> finding) {

        /** Its outline; a broken one is torn off on the right. */
        private String shape() {
            double right = x + width;
            int bottom = y + TALL;
            if (!kind.equals("broken") || width < 9) {
                return "M" + tenth(x) + " " + y + "H" + tenth(right) + "V" + bottom + "H" + tenth(x) + "Z";
            }
            return "M" + tenth(x) + " " + y + "H" + tenth(right) + "l-4 5l3 4l-4 4l4 4l-3 4l4 5H" + tenth(x) + "Z";
        }

        /** Too short for anything but its outline. */
        private boolean isNarrow() {
            return width < 8;
        }

        /** The stitch that holds it at its beginning. */
        private String seam() {
            return "M" + tenth(x + 2.5) + " " + (y + 3) + "V" + (y + TALL - 2);
        }

        /** The head of a pin, for what is tied to one place. */
        private double pinX() {
            return tenth(x + Math.min(width / 2, 10));
        }

        private double textX() {
            return tenth(x + 7);
        }

        private int textY() {
            return y + 17;
        }

        private void write(LinkPage links, StringBuilder out) {
            String shown = "piece " + kind + (off ? " off" : "") + (flagged ? " flagged" : "") + (isNarrow() ? " narrow" : "");
            if (leads()) {
                out.append("<a class=\"").append(shown).append('"').append(leading(links, link, finding)).append(" aria-label=\"")
                        .append(Markup.escaped(words)).append("\" x-on:click=\"show\">");
            } else {
                out.append("<g class=\"").append(shown).append("\"><title>").append(Markup.escaped(words)).append("</title>");
            }
            out.append("<path d=\"").append(shape()).append("\"/>");
            if (!isNarrow()) {
                out.append("<path class=\"seam\" d=\"").append(seam()).append("\"/>");
            }
            if (kind.equals("pinned")) {
                out.append("<circle r=\"3.4\" cx=\"").append(pinX()).append("\" cy=\"").append(y).append("\"/>");
            }
            if (!label.isEmpty()) {
                out.append("<text x=\"").append(textX()).append("\" y=\"").append(textY()).append("\">").append(Markup.escaped(label))
                        .append("</text>");
            }
            if (flagged) {
                out.append("<path class=\"flag\" d=\"M").append(x - 4).append(' ').append(y - 6).append("h10l-5 6z\"/>");
            }
            out.append(leads() ? "</a>" : "</g>");
        }

        /** Where it is led to by a click. */
        private boolean leads() {
            return link.isPresent() || finding.isPresent();
        }
    }

    /** A moment on the ruler. */
    public record Tick(double x, String label) {}

    /** A line of the table: a clip. */
    public record Row(String track, String name, String from, String length, String state, Optional<Integer> link,
            Optional<Integer> finding) {}

    /** Its rows as they stand in the page. */
    public String written(LinkPage links) {
        StringBuilder out = new StringBuilder();
        for (Row row : rows) {
            out.append("<tr><th scope=\"row\" class=\"name\">").append(Markup.escaped(row.name)).append("</th><td>")
                    .append(Markup.escaped(row.track))
                    .append("</td><td>").append(Markup.escaped(row.from)).append("</td><td>").append(Markup.escaped(row.length))
                    .append("</td><td>");
            boolean leads = row.link.isPresent() || row.finding.isPresent();
            out.append(leads ? "<a" + leading(links, row.link, row.finding) + " x-on:click=\"show\">" : "")
                    .append(Markup.escaped(row.state))
                    .append(leads ? "</a>" : "").append("</td></tr>\n");
        }
        return out.toString();
    }

    /** What is told of a clip before its link. */
    private static String leading(LinkPage links, Optional<Integer> link, Optional<Integer> finding) {
        return finding.map(at -> " href=\"#finding-" + at + "\"")
                .orElseGet(() -> " href=\"" + Markup.escaped(links.address(link.orElseThrow())) + "\" data-link=\"" + link.orElseThrow()
                        + "\"");
    }

    private static double tenth(double value) {
        return Math.round(value * 10) / 10.0;
    }

    static List<TimelineDrawing> of(Judgement judgement) {
        List<TimelineFound> timelines = judgement.digest().head().timelines().orElse(List.of());
        if (timelines.isEmpty()) {
            return List.of();
        }
        Map<String, Integer> findings = new HashMap<>();
        List<FindingGroups.Group> groups = judgement.things();
        for (int i = 0; i < groups.size(); i++) {
            int at = i;
            groups.get(i).findings().forEach(
                    finding -> finding.at().ifPresent(place -> findings.putIfAbsent(finding.path() + "\0" + place, at)));
        }
        return timelines.stream().filter(timeline -> timeline.tracks().stream().anyMatch(track -> !track.clips().isEmpty()))
                .map(timeline -> new Drawing(timeline, findings).draw()).toList();
    }

    private static final class Drawing {
        private final TimelineFound timeline;
        private final Map<String, Integer> findings;
        private final Words words = Speech.words();
        private final double perSecond;
        private final List<Row> rows = new ArrayList<>();
        /** Clips have few lengths, and a sentence for each of hundreds is most of what a drawing costs. */
        private final Map<Double, String> lengths = new HashMap<>();

        Drawing(TimelineFound timeline, Map<String, Integer> findings) {
            this.timeline = timeline;
            this.findings = findings;
            this.perSecond = (WIDTH - LEFT - RIGHT) / Math.max(0.04, timeline.seconds());
        }

        TimelineDrawing draw() {
            List<Strip> strips = new ArrayList<>();
            List<Track> order = new ArrayList<>();
            // As people stack them: what is seen on top of all stands on top, sound below.
            timeline.tracks().stream().filter(track -> !track.kind().equals("sound")).forEach(track -> order.add(0, track));
            timeline.tracks().stream().filter(track -> track.kind().equals("sound")).forEach(order::add);
            int y = TOP;
            Map<String, Integer> numbers = new HashMap<>();
            for (Track track : order.subList(0, Math.min(MOST_TRACKS, order.size()))) {
                int number = track.kind().equals("sound") ? numbers.merge("sound", 1, Integer::sum)
                        : timeline.tracks().indexOf(track) + 1;
                strips.add(strip(track, number, y));
                y += STEP;
            }
            int hidden = order.stream().skip(MOST_TRACKS).mapToInt(track -> track.clips().size()).sum();
            return new TimelineDrawing(timeline.document(), Names.shown(timeline.name()), about(), WIDTH, y + 4, strips, ticks(), rows,
                    timeline.more() + hidden);
        }

        private String about() {
            String length = words.length(timeline.seconds());
            return timeline.rate().map(rate -> words.fill("strips.about", length, number(rate), timeline.start()))
                    .orElseGet(() -> words.fill("strips.about-no-rate", length, timeline.start()));
        }

        private static String number(double value) {
            return value == Math.rint(value) ? Long.toString(Math.round(value)) : String.format(Locale.ROOT, "%.2f", value);
        }

        private Strip strip(Track track, int number, int y) {
            String full = track.name().isBlank() ? words.fill(track.kind().equals("sound") ? "strips.sound" : "strips.picture", number)
                    : Names.shown(track.name());
            List<Piece> pieces = track.clips().stream().map(clip -> piece(full, clip, y)).toList();
            return new Strip(y, track.kind(), cut(full, LONGEST_LABEL), full, WIDTH - LEFT - RIGHT, pieces);
        }

        private Piece piece(String track, Clip clip, int y) {
            double x = LEFT + clip.start() * perSecond;
            double width = Math.max(NARROWEST, clip.seconds() * perSecond - 1);
            String name = Names.shown(clip.name());
            int room = (int) ((width - 11) / LETTER);
            Optional<Integer> own = Optional.ofNullable(findings.get(timeline.document() + "\0" + clip.at()));
            String state = state(clip);
            String from = length(clip.start());
            String length = length(clip.seconds());
            rows.add(new Row(track, name, from, length, state, clip.link(), own));
            return new Piece(round(x), y, round(width), kind(clip), clip.state().filter("off"::equals).isPresent(), own.isPresent(),
                    room >= 3 ? ended(name, room) : "", words.fill("strips.clip", name, track, from, length, state), clip.link(), own);
        }

        private String length(double seconds) {
            return lengths.computeIfAbsent(round(seconds), words::length);
        }

        private static String kind(Clip clip) {
            if (clip.state().filter("offline"::equals).isPresent()) {
                return "broken";
            }
            return clip.outcome().filter(outcome -> !outcome.equals("embedded")).map(ThreadMap::kind).orElse("none");
        }

        private String state(Clip clip) {
            if (clip.state().isPresent()) {
                return words.fill("strips." + clip.state().get());
            }
            return clip.outcome().map(outcome -> words.fill("outcome." + outcome)).orElseGet(() -> words.fill("strips.none"));
        }

        /** As much of a name as there is cloth for; it ends where the clip ends, so that what is seen is what is said. */
        private static String ended(String text, int most) {
            return Shortened.cut(text, most);
        }

        private static String cut(String text, int most) {
            return Shortened.end(text, Math.max(2, most));
        }

        private List<Tick> ticks() {
            double step = NICE[NICE.length - 1];
            for (double nice : NICE) {
                if (nice * perSecond >= APART) {
                    step = nice;
                    break;
                }
            }
            List<Tick> out = new ArrayList<>();
            for (int i = 0; i * step <= timeline.seconds() + 1e-6 && i < 200; i++) {
                double at = i * step;
                out.add(new Tick(round(LEFT + at * perSecond), clock(at)));
            }
            return out;
        }

        private static String clock(double seconds) {
            long whole = (long) seconds;
            String text = whole >= 3_600 ? String.format(Locale.ROOT, "%d:%02d:%02d", whole / 3_600, whole / 60 % 60, whole % 60)
                    : String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
            return seconds == whole ? text : text + ".5";
        }

        private static double round(double value) {
            return Math.round(value * 100) / 100.0;
        }
    }
}
