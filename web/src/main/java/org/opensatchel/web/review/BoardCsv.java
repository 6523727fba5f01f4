package org.opensatchel.web.review;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.location.SetLocation;
import org.opensatchel.web.text.Speech;

/** The board as a table for a spreadsheet; cells that one would take for a formula are defused. */
public final class BoardCsv {

    private BoardCsv() {
    }

    static byte[] of(AssignmentView assignment, Board board) throws IOException {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord("Student", "Section", "Location", "Hand-in", "Received", "Late by (minutes)", "File", "Must", "Should", "Note",
                    "Verdict", "Kit version", "Points");
            for (BoardRow row : board.shown()) {
                HandInView handIn = row.handIn().orElse(null);
                csv.printRecord(cell(row.student().listed()), cell(row.student().section()),
                        cell(row.location().map(SetLocation::path).orElse("")), handIn == null ? "" : handIn.number(),
                        handIn == null ? "" : handIn.receivedAt().atZone(assignment.deadline().zone()).toLocalDateTime().withNano(0),
                        row.late().map(Duration::toMinutes).map(String::valueOf).orElse(""), cell(handIn == null ? "" : handIn.fileName()),
                        handIn == null ? "" : handIn.must(), handIn == null ? "" : handIn.should(), handIn == null ? "" : handIn.note(),
                        verdict(row), row.held().map(held -> String.valueOf(held.version())).orElse(""),
                        row.points().map(points -> points.earned().toPlainString()).orElse(""));
            }
        }
        return ("\uFEFF" + text).getBytes(StandardCharsets.UTF_8);
    }

    private static String verdict(BoardRow row) {
        return row.handIn().isEmpty() ? "" : Speech.say("verdict." + row.told());
    }

    /** A cell that begins, blanks aside, with a sign some spreadsheet takes for a formula is made a text. */
    public static String cell(String text) {
        boolean breaks = text.chars().anyMatch(c -> c == '\t' || c == '\r' || c == '\n');
        int begins = text.codePoints().filter(
                point -> !Character.isWhitespace(point) && !Character.isSpaceChar(point) && Character.getType(point) != Character.FORMAT)
                .findFirst().orElse(' ');
        return breaks || "=+-@|%;＝＋－＠\u2212".indexOf(begins) >= 0 ? "'" + text : text;
    }
}
