package org.opensatchel.formats.described;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/** A delimited table (RFC 4180, with other signs than the comma): its first line may name the columns, else they are counted. */
final class Sheet {

    private static final char[] SIGNS = {'\t', ';', '|', ','};
    private static final int LOOKED_AT = 50;

    private Sheet() {
    }

    /** The sign that parts the columns: the one that stands equally often in the first lines; empty where none does. */
    static Optional<Character> sign(String text) {
        List<String> lines = text.lines().filter(line -> !line.isBlank()).limit(LOOKED_AT).toList();
        for (char sign : SIGNS) {
            long count = lines.isEmpty() ? 0 : count(lines.get(0), sign);
            if (lines.size() >= 2 && count >= 1 && lines.stream().allMatch(line -> count(line, sign) == count)) {
                return Optional.of(sign);
            }
        }
        return Optional.empty();
    }

    private static long count(String line, char sign) {
        boolean quoted = false;
        long out = 0;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            quoted ^= c == '"';
            out += c == sign && !quoted ? 1 : 0;
        }
        return out;
    }

    static void read(String text, char sign, Trail trail, SpotSink sink) throws Unreadable {
        TreeWalk walk = new TreeWalk(trail, sink, true);
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(sign).setIgnoreEmptyLines(true).setLenientEof(true)
                .setTrailingData(true).get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            List<String> names = null;
            for (CSVRecord row : parser) {
                if (names == null) {
                    List<String> first = row.toList();
                    boolean named = isNames(first);
                    names = named ? first.stream().map(String::strip).toList() : counted(first.size());
                    if (named) {
                        continue;
                    }
                }
                int line = (int) Math.min(Integer.MAX_VALUE, parser.getCurrentLineNumber());
                walk.enter("", false);
                for (int i = 0; i < row.size(); i++) {
                    int column = i + 1;
                    walk.value(i < names.size() ? names.get(i) : Integer.toString(column), row.get(i).strip(),
                            () -> new SourcePosition.InText(line, column));
                }
                walk.leave();
            }
        } catch (IOException | IllegalStateException | java.io.UncheckedIOException broken) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NO_TEXT);
        }
    }

    /** Whether a line names columns: words that all differ and look like no file, path or number. */
    private static boolean isNames(List<String> cells) {
        return new HashSet<>(cells).size() == cells.size()
                && cells.stream().map(String::strip).allMatch(cell -> cell.matches("[\\p{L}_][\\p{L}\\p{N} _#()-]{0,60}"));
    }

    private static List<String> counted(int columns) {
        List<String> out = new ArrayList<>();
        for (int i = 1; i <= columns; i++) {
            out.add(Integer.toString(i));
        }
        return out;
    }
}
