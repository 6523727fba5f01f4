package org.opensatchel.formats.text;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonPointer;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;

/**
 * The lines of a text document around a place, the place itself marked, for showing it to people.
 *
 * @param lines a few, the marked one among them where the place was found
 * @param found whether the place was found; otherwise they are the first lines
 */
public record Passage(List<Line> lines, boolean found) {

    private static final int AROUND = 14;
    private static final int LONGEST_LINE = 400;
    private static final Pattern LINE_COLUMN = Pattern.compile("([1-9][0-9]{0,8}):([1-9][0-9]{0,8})");

    /**
     * One line, cut where it is very long.
     *
     * @param number from 1
     * @param mark what is marked in it, empty for nothing
     */
    public record Line(int number, String before, String mark, String after) {
        public boolean isMarked() {
            return !mark.isEmpty();
        }
    }

    /**
     * @param at the place as reports write it: {@code line:column}, a JSON pointer (RFC 6901), a path of elements, or empty for the beginning
     * @param text what stands there, as the report has it; empty where nothing is known
     */
    public static Passage of(byte[] content, String at, String text) {
        String whole = TextDecoding.decode(content);
        Optional<Integer> offset = offset(whole, at);
        int from = offset.map(start -> begin(whole, start, text)).orElse(0);
        int length = offset.isEmpty() ? 0 : text.isEmpty() || !whole.startsWith(text, from) ? toEndOfThing(whole, from) : text.length();
        return around(whole, from, offset.isEmpty() ? 0 : Math.max(1, length), offset.isPresent());
    }

    /** What is linked stands at the place or soon behind it, perhaps escaped. */
    private static int begin(String whole, int start, String text) {
        int there = text.isEmpty() ? -1 : whole.indexOf(text, start);
        return there >= 0 && there - start < LONGEST_LINE * 4 ? there : Math.min(start, Math.max(0, whole.length() - 1));
    }

    private static int toEndOfThing(String whole, int from) {
        if (from < whole.length() && whole.charAt(from) == '"') {
            return closing(whole, from) + 1 - from;
        }
        int end = from;
        while (end < whole.length() && end - from < LONGEST_LINE / 2 && whole.charAt(end) != '\n' && whole.charAt(end) != '\r'
                && whole.charAt(end) != '>') {
            end++;
        }
        return end - from;
    }

    /** The quotation mark that ends a text, as JSON and most other notations escape those inside. */
    private static int closing(String whole, int open) {
        int end = open + 1;
        while (end < whole.length() - 1 && whole.charAt(end) != '"' && whole.charAt(end) != '\n') {
            end += whole.charAt(end) == '\\' ? 2 : 1;
        }
        return Math.min(end, whole.length() - 1);
    }

    private static Optional<Integer> offset(String whole, String at) {
        Matcher lined = LINE_COLUMN.matcher(at);
        if (lined.matches()) {
            return offset(whole, Integer.parseInt(lined.group(1)), Integer.parseInt(lined.group(2)));
        }
        if (!at.startsWith("/")) {
            return Optional.empty();
        }
        String bare = whole.startsWith("\uFEFF") ? whole.substring(1) : whole;
        return bare.stripLeading().startsWith("<") ? inXml(whole, at) : inJson(whole, at);
    }

    private static Optional<Integer> offset(String whole, int line, int column) {
        int start = 0;
        for (int i = 1; i < line; i++) {
            int end = lineEnd(whole, start);
            if (end >= whole.length()) {
                return Optional.empty();
            }
            start = afterBreak(whole, end);
        }
        int end = lineEnd(whole, start);
        int points = whole.codePointCount(start, end);
        return Optional.of(whole.offsetByCodePoints(start, Math.min(points, column - 1)));
    }

    private static int lineEnd(String whole, int from) {
        int end = from;
        while (end < whole.length() && whole.charAt(end) != '\n' && whole.charAt(end) != '\r') {
            end++;
        }
        return end;
    }

    private static int afterBreak(String whole, int end) {
        return end + (end + 1 < whole.length() && whole.charAt(end) == '\r' && whole.charAt(end + 1) == '\n' ? 2 : 1);
    }

    private static Optional<Integer> inJson(String whole, String at) {
        String bare = whole.startsWith("\uFEFF") ? whole.substring(1) : whole;
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(ObjectReadContext.empty(), bare)) {
            JsonPointer wanted = JsonPointer.compile(at);
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (token != JsonToken.PROPERTY_NAME && !token.isStructEnd() && parser.streamReadContext().pathAsPointer().equals(wanted)) {
                    return Optional.of((int) parser.currentTokenLocation().getCharOffset() + whole.length() - bare.length());
                }
            }
        } catch (JacksonException | IllegalArgumentException broken) {
            // What stands behind the fault is not shown at its place.
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static Optional<Integer> inXml(String whole, String at) {
        String element = at.replaceFirst("/@[^/]*$|/text\\(\\).*$", "");
        int[] line = new int[2];
        try {
            new XmlScan(new XmlScan.Listener() {
                @Override
                public void element(XmlScan.Element met, XMLStreamReader reader) {
                    if (line[0] == 0 && met.place().text().equals(element)) {
                        line[0] = reader.getLocation().getLineNumber();
                        line[1] = reader.getLocation().getColumnNumber();
                    }
                }
            }).read(new ByteArrayInputStream(whole.getBytes(StandardCharsets.UTF_8)));
        } catch (Unreadable broken) {
            // As far as it could be read.
        }
        return line[0] == 0 ? Optional.empty() : offset(whole, line[0], Math.max(1, line[1]));
    }

    private static Passage around(String whole, int from, int length, boolean found) {
        List<Line> lines = new ArrayList<>();
        int start = 0;
        int number = 1;
        int at = 1;
        for (int i = 0; i < from; i = afterBreak(whole, lineEnd(whole, i))) {
            if (lineEnd(whole, i) >= from) {
                break;
            }
            at++;
        }
        while (start <= whole.length() && number <= at + AROUND) {
            int end = lineEnd(whole, start);
            if (number >= at - AROUND) {
                lines.add(line(whole, start, end, number, number == at ? from : -1, length));
            }
            if (end >= whole.length()) {
                break;
            }
            start = afterBreak(whole, end);
            number++;
        }
        return new Passage(lines, found);
    }

    private static Line line(String whole, int start, int end, int number, int from, int length) {
        if (from < start || from > end || length == 0) {
            return new Line(number, cutEnd(whole.substring(start, Math.min(end, start + LONGEST_LINE * 2))), "", "");
        }
        int to = Math.min(end, from + length);
        String before = whole.substring(Math.max(start, from - LONGEST_LINE), from);
        String after = whole.substring(to, Math.min(end, to + LONGEST_LINE));
        return new Line(number, from - start > LONGEST_LINE ? "…" + before : before,
                whole.substring(from, Math.min(to, from + LONGEST_LINE)),
                cutEnd(after));
    }

    private static String cutEnd(String text) {
        return Shortened.end(text, LONGEST_LINE);
    }
}
