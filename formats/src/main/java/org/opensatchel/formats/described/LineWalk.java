package org.opensatchel.formats.described;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.described.Where.InLine;
import org.opensatchel.formats.described.Where.Part;
import org.opensatchel.formats.text.LineIndex;

/**
 * A walk over the statements of a text: one a line, in sections that a bracketed line or a curly bracket begins; comments are passed over.
 * Patterns look at the text as a whole.
 */
final class LineWalk {

    /** Of a longer line only the beginning is taken apart. */
    private static final int LONGEST_LINE = 1 << 20;
    private static final int MOST_EXPLORED = 50_000;
    private static final int MOST_ALIKE = 10_000;
    private static final int MOST_IDLE = 1_000;

    private final SpotSink sink;
    private final Map<String, List<InLine>> bySection = new HashMap<>();
    private final boolean exploring;
    private final Map<String, InLine> wholes = new HashMap<>();
    private final Set<String> known;
    private final Level top = new Level(null);
    private final Deque<String> sections = new ArrayDeque<>();
    private final Deque<Level> levels = new ArrayDeque<>();
    private final BitSet firsts = new BitSet();
    private final Map<String, Statement> statements = new HashMap<>();
    private boolean anyFirst;
    private String lastFirst = "";

    /** Lines of one section that begin alike: the places in them, and how many were looked at. */
    private static final class Statement {
        private final Map<Part, InLine> places = new HashMap<>();
        private int looked;
        private int idle;
    }

    private LineWalk(Collection<Where> sought, boolean exploring, Set<String> known, SpotSink sink) {
        this.sink = sink;
        this.exploring = exploring;
        this.known = known;
        for (Where where : sought) {
            if (where instanceof InLine line) {
                bySection.computeIfAbsent(line.section(), key -> new ArrayList<>()).add(line);
                anyFirst |= line.begins().equals(Where.ANY) || line.begins().isEmpty();
                if (!line.begins().isEmpty()) {
                    firsts.set(line.begins().charAt(0));
                }
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
        boolean returns = text.indexOf('\r') >= 0;
        while (at < text.length()) {
            int end = text.indexOf('\n', at);
            end = end < 0 ? text.length() : end;
            int lone = returns ? text.indexOf('\r', at) : -1;
            // A line ends at either sign, or at both.
            if (lone >= 0 && lone < end) {
                end = lone;
            }
            number++;
            if (exploring || mayMatter(text, at, end)) {
                line(text.substring(at, Math.min(end, at + LONGEST_LINE)), number, at);
            }
            at = end + (end + 1 < text.length() && text.charAt(end) == '\r' && text.charAt(end + 1) == '\n' ? 2 : 1);
        }
    }

    /** Whether a line begins a section, ends one, or may begin with a word that is looked for; most lines of most texts do not. */
    private boolean mayMatter(String text, int from, int to) {
        int at = from;
        while (at < to && text.charAt(at) <= ' ') {
            at++;
        }
        if (at == to) {
            return false;
        }
        char first = text.charAt(at);
        int end = to;
        while (text.charAt(end - 1) <= ' ') {
            end--;
        }
        boolean word = anyFirst || firsts.get(first >= '0' && first <= '9' ? '#' : first);
        return word || !Character.isLetterOrDigit(first) || text.charAt(end - 1) == '{';
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
            explore(parts, section, first, level, number, offset);
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

    /** After very many lines of one kind no more is learned from another, and sooner where none holds anything like a path. */
    private void explore(LineParts parts, String section, String first, Level level, int number, int offset) {
        String key = section + "|" + first;
        Statement statement = statements.get(key);
        if (statement == null) {
            if (statements.size() >= MOST_EXPLORED) {
                return;
            }
            known.add(key);
            statement = new Statement();
            statements.put(key, statement);
        }
        boolean path = parts.hasPathSign();
        if (path ? statement.looked++ >= MOST_ALIKE : statement.idle++ >= MOST_IDLE) {
            return;
        }
        for (Part part : parts.parts()) {
            InLine where = statement.places.get(part);
            if (where == null) {
                // A whole line is a list's entry, whatever it begins with.
                where = part.kind() == Part.Kind.WHOLE ? wholes.computeIfAbsent(section, in -> new InLine(in, Where.ANY, part))
                        : new InLine(section, first, part);
                statement.places.put(part, where);
            }
            hand(parts, where, level, number, offset);
        }
    }

    private void hand(LineParts parts, InLine where, Level level, int number, int offset) {
        for (LineParts.Piece piece : parts.values(where.value())) {
            sink.take(where, piece.text(), () -> new SourcePosition.InText(number, parts.column(piece.at())), level,
                    (long) offset + piece.at());
        }
    }
}
