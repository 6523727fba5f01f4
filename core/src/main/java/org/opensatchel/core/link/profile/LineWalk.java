package org.opensatchel.core.link.profile;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.profile.Where.InLine;
import org.opensatchel.core.link.profile.Where.Part;
import org.opensatchel.core.link.text.LineIndex;

/**
 * A walk over the statements of a text: one a line, in sections that a bracketed line or a curly bracket begins; comments are passed over.
 * Patterns look at the text as a whole.
 */
final class LineWalk {

    /** Of a longer line only the beginning is taken apart. */
    private static final int LONGEST_LINE = 1 << 20;
    private static final int MOST_EXPLORED = 50_000;

    private final SpotSink sink;
    private final Map<String, List<InLine>> bySection = new HashMap<>();
    private final boolean exploring;
    private final Set<Where> explored = new HashSet<>();
    private final Set<String> known;
    private final Level top = new Level(null);
    private final Deque<String> sections = new ArrayDeque<>();
    private final Deque<Level> levels = new ArrayDeque<>();
    private String lastFirst = "";

    private LineWalk(Collection<Where> sought, boolean exploring, Set<String> known, SpotSink sink) {
        this.sink = sink;
        this.exploring = exploring;
        this.known = known;
        for (Where where : sought) {
            if (where instanceof InLine line) {
                bySection.computeIfAbsent(line.section(), key -> new ArrayList<>()).add(line);
            }
        }
    }

    static void read(String text, Collection<Where> sought, SpotSink sink) {
        new LineWalk(sought, false, new HashSet<>(), sink).lines(text);
        for (Where where : sought) {
            if (where instanceof Where.Matched matched) {
                matched(text, matched, sink);
            }
        }
    }

    /** Hands over every part of every line. */
    static void explore(String text, Set<String> known, SpotSink sink) {
        new LineWalk(List.of(), true, known, sink).lines(text);
    }

    private static void matched(String text, Where.Matched where, SpotSink sink) {
        LineIndex lines = new LineIndex(text);
        Matcher matcher = Pattern.compile(where.pattern()).matcher(text);
        Level top = new Level(null);
        while (matcher.find()) {
            if (matcher.group("link") != null) {
                int at = matcher.start("link");
                sink.take(where, matcher.group("link"), () -> lines.at(at), top, at);
            }
        }
    }

    private void lines(String text) {
        int number = 0;
        int at = 0;
        while (at < text.length()) {
            int end = at;
            while (end < text.length() && text.charAt(end) != '\n' && text.charAt(end) != '\r') {
                end++;
            }
            number++;
            line(text.substring(at, Math.min(end, at + LONGEST_LINE)), number, at);
            at = end + (end + 1 < text.length() && text.charAt(end) == '\r' && text.charAt(end + 1) == '\n' ? 2 : 1);
        }
    }

    private void line(String line, int number, int offset) {
        LineParts parts = new LineParts(line);
        if (parts.isBlank() || parts.isComment()) {
            return;
        }
        String stripped = parts.stripped();
        if (stripped.startsWith("}")) {
            sections.poll();
            levels.poll();
        }
        if (stripped.length() > 2 && stripped.startsWith("[") && stripped.endsWith("]") && stripped.indexOf('[', 1) < 0) {
            // Sections in brackets follow one another; they stand in none.
            sections.clear();
            levels.clear();
            enter(LineParts.word(stripped));
            return;
        }
        Level level = new Level(levels.isEmpty() ? top : levels.peek());
        String section = sections.isEmpty() ? "" : sections.peek();
        String first = parts.first();
        hand(parts, section, first, level, number, offset);
        if (stripped.endsWith("{")) {
            enter((stripped.equals("{") ? lastFirst : first) + " {");
        }
        lastFirst = first;
    }

    private void enter(String section) {
        sections.push(section);
        levels.push(new Level(levels.isEmpty() ? top : levels.peek()));
        if (sections.size() > 1_000) {
            sections.removeLast();
            levels.removeLast();
        }
    }

    private void hand(LineParts parts, String section, String first, Level level, int number, int offset) {
        if (exploring) {
            if (known.size() < MOST_EXPLORED) {
                known.add(section + "|" + first);
            }
            for (Part part : parts.parts()) {
                // A whole line is a list's entry, whatever it begins with.
                String begins = part.kind() == Part.Kind.WHOLE ? Where.ANY : first;
                hand(parts, new InLine(section, begins, part), level, number, offset);
            }
            return;
        }
        for (String key : section.equals(Where.ANY) ? List.of(section) : List.of(section, Where.ANY)) {
            for (InLine where : bySection.getOrDefault(key, List.of())) {
                if (where.begins().equals(Where.ANY) || where.begins().equals(first)) {
                    hand(parts, where, level, number, offset);
                }
            }
        }
    }

    private void hand(LineParts parts, InLine where, Level level, int number, int offset) {
        if (exploring && explored.size() >= MOST_EXPLORED && !explored.contains(where)) {
            return;
        }
        explored.add(where);
        for (LineParts.Piece piece : parts.values(where.value())) {
            sink.take(where, piece.text(), () -> new Place.InText(number, parts.column(piece.at())), level, (long) offset + piece.at());
        }
    }
}
