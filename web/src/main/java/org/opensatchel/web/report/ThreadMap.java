package org.opensatchel.web.report;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/**
 * The drawing of a project's links: documents on the left, files on the right by folder, a thread for every link. What is
 * fine may be folded into one row a folder; what is not is always drawn. All measures in the units of the drawing.
 */
public record ThreadMap(int width, int height, int outline, List<Label> labels, List<Thread> threads, int folded) {

    private static final int WIDTH = 660;
    private static final int ROW = 19;
    private static final int LEFT = 34;
    /** Width of a letter of the drawing's monospaced face. */
    private static final double LETTER = 8.1;
    private static final int TO = 446;
    private static final int TEXT = 460;
    private static final int TOP = 30;
    /** Rows on the right beyond which what is fine is folded. */
    private static final int MOST_ROWS = 26;
    private static final int MOST_OUTSIDE = 6;
    private static final int MOST_DOCUMENTS = 40;
    private static final int MOST_GONE = 10;
    private static final int MOST_FAR = 2;
    private static final int LONGEST_NAME = 24;

    /** A word in the drawing; kind is {@code folder}, {@code file}, {@code document}, {@code gone}, {@code out} or {@code more}. */
    public record Label(int x, int y, String kind, String text, String full) {

        /** What is drawn of it; what lies outside is known by its path. */
        public String shown() {
            boolean far = kind.equals("out") || kind.equals("far");
            return far ? Names.shortened(full.isEmpty() ? text : full, LONGEST_NAME + 1) : Names.shown(text);
        }
    }

    /**
     * A thread.
     *
     * @param kind {@code ok}, {@code pinned}, {@code name}, {@code broken} or {@code far}
     * @param guessed whether no format says that it is a link
     * @param link the number of the first link it stands for
     * @param count how many links run along it
     * @param words what it says to those who do not see it
     * @param places of the links it stands for, as {@link #place} writes them
     */
    public record Thread(String kind, boolean guessed, int x1, int y1, int x2, int y2, int link, int count, String words,
            Set<String> places) {

        /** A calm curve from the document to the file. */
        public String path() {
            int bend = Math.max(60, (x2 - x1) / 2);
            return "M" + x1 + " " + y1 + " C" + (x1 + bend) + " " + y1 + " " + (x2 - bend) + " " + y2 + " " + x2 + " " + y2;
        }

        private Thread withOneMore(String place) {
            Set<String> all = new HashSet<>(places);
            all.add(place);
            return new Thread(kind, guessed, x1, y1, x2, y2, link, count + 1, words, all);
        }
    }

    /** Whether any link is only guessed. */
    public boolean guesses() {
        return threads.stream().anyMatch(Thread::guessed);
    }

    /** The threads of some findings, by the numbers of their first links, with a blank between; empty where they have none. */
    public String threadsOf(List<FindingLine> findings) {
        Set<String> places = new HashSet<>();
        findings.forEach(finding -> {
            finding.at().ifPresent(at -> places.add(place(finding.path(), at)));
            finding.consequences().orElse(List.of()).forEach(one -> one.at().ifPresent(at -> places.add(place(one.path(), at))));
        });
        return threads.stream().filter(thread -> thread.places.stream().anyMatch(places::contains))
                .map(thread -> Integer.toString(thread.link)).collect(Collectors.joining(" "));
    }

    /** Where a link ends: a row on the right. */
    private record End(String zone, String folder, String name, String full) {}

    /** @param passed the places of links that were let pass, as {@link #place} writes them: they are drawn as what nobody has to mend */
    public static ThreadMap of(ReportDigest digest, Set<String> passed) {
        return new Drawing(digest.head().links(), digest.numbers(), passed).draw();
    }

    private static final class Drawing {
        private final List<LinkLine> links;
        /** Where each of them ends. */
        private final List<End> targets;
        private final List<Integer> numbers;
        private final Set<String> passed;
        private final Map<String, Label> documents = new LinkedHashMap<>();
        private final Map<End, Integer> ends = new LinkedHashMap<>();
        private final List<Label> labels = new ArrayList<>();
        private int y = TOP;
        private int folded;

        Drawing(List<LinkLine> links, List<Integer> numbers, Set<String> passed) {
            this.passed = passed;
            this.links = links;
            this.targets = links.stream().map(ThreadMap::end).toList();
            this.numbers = numbers;
        }

        ThreadMap draw() {
            Map<String, TreeMap<String, List<LinkLine>>> inside = new TreeMap<>();
            links.forEach(link -> link.target().filter(target -> isFound(link))
                    .ifPresent(target -> inside.computeIfAbsent(folderOf(target), key -> new TreeMap<>())
                            .computeIfAbsent(name(target), key -> new ArrayList<>()).add(link)));
            boolean fold = inside.values().stream().mapToInt(TreeMap::size).sum() > MOST_ROWS;
            inside.forEach((folder, files) -> folder(folder, files, fold));
            List<End> gone = ends("gone");
            if (!gone.isEmpty()) {
                heading(Speech.say("map.gone"));
                gone.stream().limit(MOST_GONE).forEach(end -> row(end, "gone"));
                more(gone, MOST_GONE, "more", "map.more-gone");
            }
            documents();
            int outline = Math.max(y, TOP + documents.size() * ROW) + 6;
            y = outline + 26;
            List<End> out = ends("out");
            out.stream().limit(MOST_OUTSIDE).forEach(end -> row(end, "out"));
            more(out, MOST_OUTSIDE, "out", "map.more-out");
            List<End> far = ends("far");
            far.stream().limit(MOST_FAR).forEach(end -> row(end, "far"));
            more(far, MOST_FAR, "far", "map.more-far");
            int height = (out.isEmpty() && far.isEmpty() ? outline : y) + 8;
            return new ThreadMap(WIDTH, height, outline, labels, threads(), folded);
        }

        private void folder(String folder, TreeMap<String, List<LinkLine>> files, boolean fold) {
            heading(folder.isEmpty() ? Speech.say("map.root") : folder);
            int fine = 0;
            for (Map.Entry<String, List<LinkLine>> file : files.entrySet()) {
                boolean calm = file.getValue().stream().allMatch(link -> link.outcome().equals("ok"));
                if (fold && calm) {
                    fine++;
                } else {
                    row(new End("in", folder, file.getKey(), folder.isEmpty() ? file.getKey() : folder + "/" + file.getKey()), "file");
                }
            }
            if (fine > 0) {
                folded += fine;
                int rest = y - 4;
                files.forEach(
                        (name, list) -> ends.putIfAbsent(new End("in", folder, name, folder.isEmpty() ? name : folder + "/" + name), rest));
                label("more", Speech.say("map.fine", fine), "");
            }
            y += 8;
        }

        private void documents() {
            List<String> all = links.stream().map(LinkLine::document).distinct().toList();
            List<String> names = all.subList(0, Math.min(all.size(), MOST_DOCUMENTS));
            int room = Math.max(0, y - TOP - names.size() * ROW);
            int gap = names.isEmpty() ? 0 : Math.min(60, room / (names.size() + 1));
            int at = TOP + gap;
            String last = null;
            for (String document : names) {
                String folder = folderOf(document);
                if (!folder.equals(last)) {
                    labels.add(new Label(LEFT, at, "folder", folder.isEmpty() ? Speech.say("map.root") : folder, folder));
                    at += ROW;
                    last = folder;
                }
                Label label = new Label(LEFT + 10, at, "document", middle(name(document)), document);
                labels.add(label);
                documents.put(document, label);
                at += ROW + gap;
            }
            if (all.size() > names.size()) {
                labels.add(new Label(LEFT + 10, at, "more", Speech.say("map.more-documents", all.size() - names.size()), ""));
                at += ROW;
            }
            y = Math.max(y, at);
        }

        private List<End> ends(String zone) {
            return targets.stream().filter(end -> end.zone.equals(zone)).distinct().toList();
        }

        private void heading(String text) {
            labels.add(new Label(TEXT - 10, y, "folder", text, text));
            y += ROW;
        }

        private void row(End end, String kind) {
            ends.put(end, y - 4);
            label(kind, middle(end.name), end.full);
        }

        private void label(String kind, String text, String full) {
            labels.add(new Label(TEXT, y, kind, text, full));
            y += ROW;
        }

        private void more(List<End> all, int shown, String kind, String key) {
            if (all.size() > shown) {
                all.stream().skip(shown).forEach(end -> ends.put(end, y - 4));
                label(kind, Speech.say(key, all.size() - shown), "");
            }
        }

        /** Links that run the same way are one thread. */
        private List<Thread> threads() {
            Map<String, Thread> threads = new LinkedHashMap<>();
            for (int i = 0; i < links.size(); i++) {
                LinkLine link = links.get(i);
                Label from = documents.get(link.document());
                Integer to = ends.get(targets.get(i));
                if (from == null || to == null) {
                    continue;
                }
                String kind = passed.contains(place(link.document(), link.at())) ? "far" : kind(link);
                String way = kind + link.sure().isPresent() + from.y + ":" + to;
                Thread first = threads.get(way);
                if (first != null) {
                    threads.put(way, first.withOneMore(place(link.document(), link.at())));
                    continue;
                }
                int x2 = kind.equals("broken") ? TO - 6 : kind.equals("pinned") ? TO + 2 : TO + 8;
                int x1 = from.x + (int) (from.text.length() * LETTER) + 8;
                threads.put(way, new Thread(kind, link.sure().isPresent(), x1, from.y - 4, x2, to, numbers.get(i), 1, words(link),
                        Set.of(place(link.document(), link.at()))));
            }
            List<Thread> order = new ArrayList<>(threads.values());
            // What is torn is drawn over what is whole.
            order.sort(java.util.Comparator.comparing(thread -> List.of("far", "ok", "name", "broken", "pinned").indexOf(thread.kind)));
            return order;
        }

        private static String words(LinkLine link) {
            String outcome = Speech.say("outcome." + link.outcome());
            return Speech.say("map.thread", Names.shown(link.document()), Names.shown(link.text()),
                    link.sure().isPresent() ? Speech.say("map.guessed", outcome) : outcome);
        }
    }

    /** A place of a link in a project, as one text. */
    static String place(String document, String at) {
        return document + "\0" + at;
    }

    private static boolean isFound(LinkLine link) {
        return List.of("ok", "pinned", "misspelt").contains(link.outcome());
    }

    private static String zone(LinkLine link) {
        return switch (link.outcome()) {
            case "ok", "pinned", "misspelt" -> "in";
            case "missing", "moved" -> "gone";
            case "outside" -> "out";
            case "embedded" -> "none";
            default -> "far";
        };
    }

    private static String kind(LinkLine link) {
        return kind(link.outcome());
    }

    /** How a link of an outcome is drawn, here and wherever else links are. */
    static String kind(String outcome) {
        return switch (outcome) {
            case "ok" -> "ok";
            case "pinned" -> "pinned";
            case "misspelt" -> "name";
            case "missing", "moved", "outside" -> "broken";
            default -> "far";
        };
    }

    private static End end(LinkLine link) {
        String zone = zone(link);
        if (zone.equals("in")) {
            String target = link.target().orElse("");
            return new End(zone, folderOf(target), name(target), target);
        }
        return new End(zone, "", zone.equals("gone") ? name(link.text().replace('\\', '/')) : link.text(), link.text());
    }

    private static String folderOf(String path) {
        return path.contains("/") ? path.substring(0, path.lastIndexOf('/')) : "";
    }

    private static String name(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** Shortened in the middle, never at the end. */
    private static String middle(String name) {
        return Shortened.middle(name, LONGEST_NAME, LONGEST_NAME * 2 / 3);
    }
}
