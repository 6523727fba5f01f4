package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.MOST;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/** A table of text (RFC 4180) in whatever encoding and with whatever separator it was saved. */
final class Table {

    static final int MOST_ROWS = 20_000;
    private static final Charset WINDOWS = Charset.forName("windows-1252");

    private final List<String> headings;
    private final List<List<String>> rows;

    private Table(List<String> headings, List<List<String>> rows) {
        this.headings = headings;
        this.rows = rows;
    }

    /** A table, or why there is none. */
    record Reading(Optional<Table> table, Optional<Phrase> refusal) {}

    static Reading read(byte[] content) {
        String text = text(content);
        if (text.isBlank()) {
            return new Reading(Optional.empty(), Optional.of(RosterWording.EMPTY.say()));
        }
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator(text)).setIgnoreEmptyLines(false).setTrim(true).get();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            List<String> headings = new ArrayList<>();
            List<List<String>> rows = new ArrayList<>();
            for (CSVRecord record : parser) {
                if (headings.isEmpty()) {
                    record.forEach(headings::add);
                } else if (rows.size() == MOST_ROWS) {
                    return new Reading(Optional.empty(), Optional.of(RosterWording.TOO_MANY_ROWS.say(Facts.of(MOST, MOST_ROWS))));
                } else {
                    rows.add(record.toList());
                }
            }
            return new Reading(Optional.of(new Table(headings, rows)), Optional.empty());
        } catch (IOException | UncheckedIOException | IllegalStateException broken) {
            return new Reading(Optional.empty(), Optional.of(RosterWording.NO_TABLE.say()));
        }
    }

    /** A byte-order mark decides; else what is not UTF-8 was saved by a Windows program. */
    private static String text(byte[] content) {
        if (content.length >= 2 && ((content[0] & 0xFF) == 0xFE && (content[1] & 0xFF) == 0xFF
                || (content[0] & 0xFF) == 0xFF && (content[1] & 0xFF) == 0xFE)) {
            return new String(content, StandardCharsets.UTF_16);
        }
        try {
            String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(content)).toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException notUtf8) {
            return new String(content, WINDOWS);
        }
    }

    private static char separator(String text) {
        String first = text.lines().findFirst().orElse("");
        char best = ',';
        long most = 0;
        for (char candidate : new char[]{',', ';', '\t'}) {
            long count = first.chars().filter(c -> c == candidate).count();
            if (count > most) {
                most = count;
                best = candidate;
            }
        }
        return best;
    }

    List<String> headings() {
        return headings;
    }

    int size() {
        return rows.size();
    }

    boolean isBlank(int row) {
        return rows.get(row).stream().allMatch(String::isBlank);
    }

    /** The column with exactly this heading, letter case overlooked. */
    Optional<Integer> column(String heading) {
        for (int i = 0; i < headings.size(); i++) {
            if (headings.get(i).equalsIgnoreCase(heading)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    String cell(int row, Optional<Integer> column) {
        return column.filter(at -> at < rows.get(row).size()).map(at -> rows.get(row).get(at)).orElse("");
    }
}
