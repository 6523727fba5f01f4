package org.opensatchel.web.export;

import java.io.IOException;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.review.BoardCsv;
import org.opensatchel.web.review.BoardRow;
import org.opensatchel.web.text.Speech;

/** Tables of what a class earned: a gradebook with the columns that are wanted, and results as OneRoster writes them. */
final class Gradebook {

    private Gradebook() {
    }

    /** A student with what is written of them. */
    record Line(BoardRow row, String remarks) {}

    /** A column that may be chosen, in the order of the table. */
    enum Column {
        NUMBER((line, of) -> line.row.student().number()),
        LAST((line, of) -> line.row.student().last()),
        FIRST((line, of) -> line.row.student().first()),
        SECTION((line, of) -> line.row.student().section()),
        TEAM((line, of) -> line.row.student().team()),
        VERSION((line, of) -> line.row.held().map(held -> String.valueOf(held.version())).orElse("")),
        HAND_IN((line, of) -> of(line, handIn -> String.valueOf(handIn.number()))),
        RECEIVED((line, of) -> of(line,
                handIn -> handIn.receivedAt().atZone(of.deadline().zone()).toLocalDateTime().withNano(0).toString())),
        LATE((line, of) -> line.row.late().map(Duration::toMinutes).map(String::valueOf).orElse("")),
        VERDICT((line, of) -> line.row.handIn().isEmpty() ? "" : Speech.say("verdict." + line.row.told())),
        MUST((line, of) -> of(line, handIn -> handIn.isDone() ? String.valueOf(handIn.must()) : "")),
        SHOULD((line, of) -> of(line, handIn -> handIn.isDone() ? String.valueOf(handIn.should()) : "")),
        NOTE((line, of) -> of(line, handIn -> handIn.isDone() ? String.valueOf(handIn.note()) : "")),
        POINTS((line, of) -> line.row.points().map(points -> points.earned().toPlainString()).orElse("")),
        POINTS_STRUCTURE((line, of) -> part(line, 0)),
        POINTS_NAMES((line, of) -> part(line, 1)),
        POINTS_LINKS((line, of) -> part(line, 2)),
        POINTS_ASSETS((line, of) -> part(line, 3)),
        REMARKS((line, of) -> line.remarks);

        private final BiFunction<Line, AssignmentView, String> value;

        Column(BiFunction<Line, AssignmentView, String> value) {
            this.value = value;
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public String title() {
            return Speech.say("gradebook." + word());
        }

        /** What is written for a student; texts that a spreadsheet would take for a formula are defused. */
        String of(Line line, AssignmentView assignment) {
            String text = value.apply(line, assignment);
            boolean number = text.matches("[0-9]+([.][0-9]+)?");
            return number ? text : BoardCsv.cell(text);
        }

        private static String of(Line line, java.util.function.Function<HandInView, String> value) {
            return line.row.handIn().map(value).orElse("");
        }

        private static String part(Line line, int at) {
            List<BigDecimal> parts = line.row.tally().parts();
            return at < parts.size() ? parts.get(at).toPlainString() : "";
        }

        static List<Column> chosen(List<String> words) {
            List<Column> chosen = Arrays.stream(values()).filter(column -> words.contains(column.word())).toList();
            return chosen.isEmpty() ? List.of(values()) : chosen;
        }
    }

    static byte[] csv(List<Line> lines, List<Column> columns, AssignmentView assignment) throws IOException {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(columns.stream().map(Column::title).toList());
            for (Line line : lines) {
                csv.printRecord(columns.stream().map(column -> column.of(line, assignment)).toList());
            }
        }
        return ("\uFEFF" + text).getBytes(StandardCharsets.UTF_8);
    }

    /**
     * {@code results.csv} of OneRoster CSV Tables 1.1 (section 4.14, results): a line for each student with points. The student's number
     * stands for the student, as in the rosters that came in.
     */
    static byte[] oneRoster(List<Line> lines, AssignmentView assignment, Instant now) throws IOException {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord("sourcedId", "status", "dateLastModified", "lineItemSourcedId", "studentSourcedId", "scoreStatus", "score",
                    "scoreDate",
                    "comment");
            String item = assignment.courseCode().replace(" ", "") + "-" + assignment.code();
            for (Line line : lines) {
                String student = line.row.student().number();
                if (!student.isEmpty()) {
                    List<String> values = new ArrayList<>(List.of(item + "-" + student, "active", now.toString(), item, student));
                    Optional<HandInView> handIn = line.row.handIn();
                    boolean graded = line.row.points().isPresent();
                    values.add(graded ? "fully graded" : handIn.isPresent() ? "submitted" : "not submitted");
                    values.add(line.row.points().map(points -> points.earned().toPlainString()).orElse(""));
                    values.add(
                            handIn.map(one -> one.receivedAt().atZone(assignment.deadline().zone()).toLocalDate().toString()).orElse(""));
                    values.add(line.remarks.replaceAll("\\s+", " "));
                    csv.printRecord(values.stream().map(BoardCsv::cell).toList());
                }
            }
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }
}
