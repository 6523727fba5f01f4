package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.MOST;

import com.github.miachm.sods.SpreadSheet;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.SheetVisibility;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * Tables in whatever file they were saved: text (RFC 4180) in any encoding and with any separator, workbooks of Office Open XML
 * (ECMA-376, part 1, section 18) and of OpenDocument (ISO/IEC 26300, section 9), and tables of web pages that some systems give out under
 * the ending of a workbook.
 */
public final class Sheets {

    static final int MOST_ROWS = 20_000;
    /** With the titles and blank rows that may stand above and between. */
    private static final int MOST_LINES = MOST_ROWS + 1_000;
    private static final int MOST_COLUMNS = 256;
    private static final Charset WINDOWS = Charset.forName("windows-1252");
    private static final Pattern SAID = Pattern.compile("(?i)^sep=(.)\\s*(\\R|$)");
    private static final Pattern TABLE = Pattern.compile("(?i)<table[\\s>]");
    private static final char[] SEPARATORS = {',', ';', '\t', '|'};
    /** So many lines tell what separates the cells of all. */
    private static final int LINES_LOOKED_AT = 50;
    private static final Pattern LEADING_ZEROS = Pattern.compile("0{2,}");

    private Sheets() {
    }

    /** A table, or why there is none. */
    public record Reading(Optional<Sheet> sheet, Optional<Phrase> refusal) {
        static Reading of(Sheet sheet) {
            if (sheet.isBlank()) {
                return refused(RosterWording.EMPTY.say());
            }
            return sheet.rows().size() > MOST_LINES ? tooMany() : new Reading(Optional.of(sheet), Optional.empty());
        }

        static Reading refused(Phrase why) {
            return new Reading(Optional.empty(), Optional.of(why));
        }

        static Reading tooMany() {
            return refused(RosterWording.TOO_MANY_ROWS.say(Facts.of(MOST, MOST_ROWS)));
        }
    }

    /** Whether a file is a workbook and no bundle of tables, by what is packed in it. */
    public static boolean isWorkbook(Path file) {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            return zip.getEntry("xl/workbook.xml") != null || zip.getEntry("content.xml") != null;
        } catch (IOException noArchive) {
            return false;
        }
    }

    /** Reads a workbook: the first sheet with anything in it. */
    public static Reading workbook(Path file) {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            // Some are written without the styles that tell how numbers are shown.
            return zip.getEntry("content.xml") != null ? openDocument(file) : officeOpen(file, zip.getEntry("xl/styles.xml") != null);
        } catch (IOException | RuntimeException | StackOverflowError broken) {
            return Reading.refused(RosterWording.NO_WORKBOOK.say());
        }
    }

    private static Reading officeOpen(Path file, boolean styled) throws IOException {
        try (ReadableWorkbook book = new ReadableWorkbook(file.toFile(), new ReadingOptions(styled, false))) {
            for (org.dhatim.fastexcel.reader.Sheet sheet : book.getSheets().toList()) {
                if (sheet.getVisibility() == SheetVisibility.VISIBLE) {
                    List<List<String>> rows = new ArrayList<>();
                    try (Stream<Row> stream = sheet.openStream()) {
                        for (Row row : (Iterable<Row>) stream::iterator) {
                            if (row.getRowNum() > MOST_LINES) {
                                return Reading.tooMany();
                            }
                            while (rows.size() < row.getRowNum() - 1) {
                                rows.add(List.of());
                            }
                            rows.add(cells(row));
                        }
                    }
                    Sheet read = new Sheet(rows);
                    if (!read.isBlank()) {
                        return Reading.of(read);
                    }
                }
            }
            return Reading.refused(RosterWording.EMPTY.say());
        }
    }

    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>();
        for (Cell cell : row) {
            if (cell != null && cell.getColumnIndex() < MOST_COLUMNS) {
                while (cells.size() < cell.getColumnIndex()) {
                    cells.add("");
                }
                cells.add(text(cell));
            }
        }
        return cells;
    }

    private static String text(Cell cell) {
        if (cell.getType() == CellType.NUMBER) {
            String digits = number(cell.asNumber());
            String format = cell.getDataFormatString();
            // A student number with zeros in front is a number shown with so many digits.
            return format != null && LEADING_ZEROS.matcher(format).matches() ? "0".repeat(Math.max(0, format.length() - digits.length()))
                    + digits : digits;
        }
        String text = cell.getType() == CellType.FORMULA || cell.getType() == CellType.ERROR ? cell.getRawValue() : cell.getText();
        return text == null ? "" : text.strip();
    }

    /** As somebody would write it: no exponent, no point with nothing behind it. */
    private static String number(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    private static Reading openDocument(Path file) throws IOException {
        for (com.github.miachm.sods.Sheet sheet : new SpreadSheet(file.toFile()).getSheets()) {
            if (!sheet.isHidden() && sheet.getMaxRows() > 0 && sheet.getMaxColumns() > 0) {
                if (sheet.getMaxRows() > MOST_LINES) {
                    return Reading.tooMany();
                }
                Object[][] values = sheet.getRange(0, 0, sheet.getMaxRows(), Math.min(sheet.getMaxColumns(), MOST_COLUMNS)).getValues();
                Sheet read = new Sheet(Arrays.stream(values).map(row -> Arrays.stream(row).map(Sheets::text).toList()).toList());
                if (!read.isBlank()) {
                    return Reading.of(read);
                }
            }
        }
        return Reading.refused(RosterWording.EMPTY.say());
    }

    private static String text(Object value) {
        return value == null ? "" : value instanceof Double number ? number(BigDecimal.valueOf(number)) : value.toString().strip();
    }

    /** Reads a table that is text. */
    public static Reading text(byte[] content) {
        if (isOldWorkbook(content)) {
            return Reading.refused(RosterWording.OLD_WORKBOOK.say());
        }
        String text = decoded(content);
        if (text.stripLeading().startsWith("<") && TABLE.matcher(text).find()) {
            return page(text);
        }
        Matcher said = SAID.matcher(text);
        boolean isSaid = said.find();
        String rows = isSaid ? "\n" + text.substring(said.end()) : text;
        char separator = isSaid ? said.group(1).charAt(0) : separator(rows);
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setIgnoreEmptyLines(false).setTrim(true)
                .setTrailingData(true).get();
        try (CSVParser parser = format.parse(new StringReader(rows))) {
            List<List<String>> out = new ArrayList<>();
            for (CSVRecord record : parser) {
                if (out.size() > MOST_LINES) {
                    return Reading.tooMany();
                }
                out.add(record.toList());
            }
            return Reading.of(new Sheet(out));
        } catch (IOException | UncheckedIOException | IllegalStateException broken) {
            return Reading.refused(RosterWording.NO_TABLE.say());
        }
    }

    /** Compound files, in which workbooks were kept before they were archives, begin like this. */
    private static boolean isOldWorkbook(byte[] content) {
        byte[] beginning = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};
        return content.length > 4 && Arrays.equals(content, 0, 4, beginning, 0, 4);
    }

    private static Reading page(String html) {
        List<List<String>> best = List.of();
        for (Element table : Jsoup.parse(html).select("table")) {
            List<List<String>> rows = table.select("tr").stream().limit(MOST_LINES + 1L)
                    .map(row -> row.select("> td, > th").stream().map(Element::text).toList()).toList();
            if (rows.size() > best.size()) {
                best = rows;
            }
        }
        return best.isEmpty() ? Reading.refused(RosterWording.NO_TABLE.say()) : Reading.of(new Sheet(best));
    }

    /** A byte-order mark decides; else what is not UTF-8 was saved by a Windows program. */
    private static String decoded(byte[] content) {
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

    /** What stands equally often in most lines, outside of quotation marks; of equals, what stands in them more often. */
    private static char separator(String text) {
        List<String> lines = text.lines().filter(line -> !line.isBlank()).limit(LINES_LOOKED_AT).toList();
        char best = ',';
        long most = 0;
        for (char candidate : SEPARATORS) {
            Map<Long, Integer> often = new HashMap<>();
            lines.stream().map(line -> count(line, candidate)).filter(count -> count > 0)
                    .forEach(count -> often.merge(count, 1, Integer::sum));
            // Titles above the table have none, and names may hold a comma of their own.
            long score = often.entrySet().stream().mapToLong(one -> one.getValue() * 1_000L + Math.min(999, one.getKey())).max().orElse(0);
            if (score > most) {
                most = score;
                best = candidate;
            }
        }
        return best;
    }

    private static long count(String line, char candidate) {
        boolean quoted = false;
        long count = 0;
        for (int i = 0; i < line.length(); i++) {
            quoted ^= line.charAt(i) == '"';
            count += !quoted && line.charAt(i) == candidate ? 1 : 0;
        }
        return count;
    }
}
