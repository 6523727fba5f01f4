package org.opensatchel.web.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.core.report.PlanFound.Line;
import org.opensatchel.core.report.PlanFound.State;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/**
 * The bag drawn twice in one: the bands of the plan as outlines, what is there as their filling, and a thread from where something lies to
 * where it belongs. All measures in the units of the drawing.
 */
public record PlanDrawing(int width, int height, List<Band> bands, List<Thread> threads, List<String> words, int more) {

    private static final int WIDTH = 660;
    private static final int ROW = 25;
    private static final int TALL = 21;
    private static final int STEP = 18;
    private static final int TOP = 14;
    private static final int LEFT = 16;
    /** Where the threads run, right of the bands. */
    private static final int LANE = 30;
    private static final int MOST_ROWS = 70;
    private static final int LONGEST = 38;
    /** Letters that a row has room for. */
    private static final int ROOM = 68;

    /**
     * One row.
     *
     * @param kind what became of it: a {@link State}, {@code from} for where something lies that belongs elsewhere, {@code way} for a folder
     *     on the way to a planned one
     * @param note what is said behind the name, empty for nothing
     */
    public record Band(int x, int y, int width, int height, String kind, boolean folder, boolean required, String name, String full,
            String note,
            String right) {

        /** How it is drawn, as classes. */
        public String drawn() {
            return "band " + kind + (folder ? " holds" : " lies") + (required ? " required" : "");
        }

        /** Whether the name is shown shortened. */
        public boolean isCut() {
            return !name.equals(full);
        }

        /** Whether what stands on the right would not run into the name. */
        public boolean hasRoom() {
            return !right.isEmpty() && right.length() + name.length() + note.length() <= ROOM;
        }
    }

    /** From where something lies to where it belongs. */
    public record Thread(String path, String words) {}

    /** A place in the tree with what stands there. */
    private static final class Node {
        private final String name;
        private final Map<String, Node> children = new LinkedHashMap<>();
        private Line line;
        private String kind = "way";
        private String right = "";
        private String note = "";
        private int y;

        Node(String name) {
            this.name = name;
        }

        Node at(String path) {
            Node here = this;
            for (String part : path.split("/")) {
                here = here.children.computeIfAbsent(part, Node::new);
            }
            return here;
        }
    }

    public static PlanDrawing of(PlanFound found) {
        Node root = new Node("");
        List<String[]> moves = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (Line line : found.lines()) {
            // Two lines of one place are two rows: the second bears a sign that no name has.
            Node node = root.at(line.path());
            if (node.line != null) {
                node = root.at(line.path() + "\0" + words.size());
            }
            node.line = line;
            node.kind = line.state().name();
            node.right = line.says();
            node.note = note(line);
            boolean moved = line.state() == State.moved && line.found().isPresent();
            if (moved) {
                root.at(line.found().get() + "\0from").kind = "from";
                moves.add(new String[]{line.found().get() + "\0from", line.path()});
            }
            if (line.state() != State.there && line.state() != State.absent) {
                words.add(Speech.say("plan-found." + line.state(), Names.shown(line.path()), Names.shown(line.found().orElse(""))));
            }
        }
        List<Band> bands = new ArrayList<>();
        int[] y = {TOP};
        int[] left = {0};
        draw(root, -1, bands, y, left);
        List<Thread> threads = new ArrayList<>();
        for (String[] move : moves) {
            int from = root.at(move[0]).y;
            int to = root.at(move[1]).y;
            if (from > 0 && to > 0) {
                threads.add(thread(from, to, threads.size(), Names.shown(move[0].replace("\0from", "")), Names.shown(move[1])));
            }
        }
        return new PlanDrawing(WIDTH, y[0] + 8, bands, threads, words, left[0] + found.more());
    }

    private static void draw(Node node, int depth, List<Band> bands, int[] y, int[] left) {
        if (depth >= 0) {
            if (bands.size() >= MOST_ROWS) {
                left[0]++;
            } else {
                node.y = y[0] + TALL / 2;
                bands.add(band(node, depth, y[0]));
                y[0] += ROW;
            }
        }
        node.children.values().forEach(child -> draw(child, depth + 1, bands, y, left));
    }

    private static Band band(Node node, int depth, int y) {
        int x = LEFT + depth * STEP;
        String name = node.name.contains("\0") ? node.name.substring(0, node.name.indexOf('\0')) : node.name;
        boolean folder = node.line == null ? node.kind.equals("way") : node.line.folder();
        boolean required = node.line != null && node.line.need().filter("required"::equals).isPresent();
        return new Band(x, y, WIDTH - LANE - x, TALL, node.kind, folder, required, middle(Names.shown(name)), name, node.note, node.right);
    }

    private static String note(Line line) {
        String found = line.found().map(path -> path.substring(path.lastIndexOf('/') + 1)).orElse("");
        return switch (line.state()) {
            case there -> line.folder() ? Speech.say("plan-found.files", line.files()) : "";
            case few -> Speech.say("plan-found.note-few");
            case missing -> Speech.say("plan-found.note-missing");
            case absent -> Speech.say("plan-found.note-absent");
            case renamed -> Speech.say("plan-found.note-renamed", middle(Names.shown(found)));
            case type -> Speech.say("plan-found.note-type", middle(Names.shown(found)));
            case moved -> Speech.say("plan-found.note-moved");
            case extra -> Speech.say("plan-found.note-extra");
        };
    }

    /** Out of the band to the right, along, and back in; each in a lane of its own as long as there are some. */
    private static Thread thread(int from, int to, int lane, String what, String where) {
        int x = WIDTH - LANE;
        int out = x + 8 + lane % 4 * 5;
        String path = "M" + x + " " + from + " C" + (out + 6) + " " + from + " " + (out + 6) + " " + from + " " + out + " "
                + (from + to) / 2 + " S"
                + (out + 6) + " " + to + " " + (x + 3) + " " + to + " m5 -4 l-5 4 l5 4";
        return new Thread(path, Speech.say("plan-found.thread", what, where));
    }

    private static String middle(String name) {
        return Shortened.middle(name, LONGEST, LONGEST * 2 / 3);
    }
}
