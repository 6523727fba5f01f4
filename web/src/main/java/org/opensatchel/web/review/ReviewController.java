package org.opensatchel.web.review;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.location.SetLocation;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The class at a glance. */
@Controller
class ReviewController {

    private final CourseService courses;
    private final HandInService handIns;
    private final LocationService locations;

    ReviewController(CourseService courses, HandInService handIns, LocationService locations) {
        this.courses = courses;
        this.handIns = handIns;
        this.locations = locations;
    }

    /**
     * One student's row.
     *
     * @param late by how much what they handed in came too late
     * @param checked their own checks before that
     */
    record Row(Student student, Optional<HandInView> handIn, Optional<SetLocation> location, Seam seam, Marks marks,
            Optional<Duration> late,
            Optional<HandInService.PreChecks> checked) {}

    /** Most must first, then most should; who has not handed in stands last. */
    private static final Comparator<Row> WORST_FIRST = Comparator.comparing((Row row) -> row.handIn.isEmpty())
            .thenComparing(row -> row.handIn.map(handIn -> "blocked".equals(handIn.verdict()) ? 0 : 1).orElse(2))
            .thenComparing(row -> -row.handIn.map(HandInView::must).orElse(0))
            .thenComparing(row -> -row.handIn.map(HandInView::should).orElse(0));

    @GetMapping("/assignments/{id}/review")
    String review(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        List<Row> rows = rows(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "review");
        model.addAttribute("rows", rows);
        model.addAttribute("ready", count(rows, "ready"));
        model.addAttribute("fix", count(rows, "fix") + count(rows, "blocked"));
        model.addAttribute("missing", rows.stream().filter(row -> row.handIn.isEmpty()).count());
        return "review/class";
    }

    /** The table for a spreadsheet; cells that one would take for a formula are defused. */
    @GetMapping("/assignments/{id}/review.csv")
    ResponseEntity<byte[]> csv(@PathVariable long id, @AuthenticationPrincipal SignedIn me) throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord("Student", "Section", "Location", "Hand-in", "Received", "Late by (minutes)", "File", "Must", "Should", "Note",
                    "Verdict");
            for (Row row : rows(assignment)) {
                HandInView handIn = row.handIn.orElse(null);
                csv.printRecord(cell(row.student.listed()), cell(row.student.section()),
                        cell(row.location.map(SetLocation::path).orElse("")),
                        handIn == null ? "" : handIn.number(),
                        handIn == null ? "" : handIn.receivedAt().atZone(assignment.deadline().zone()).toLocalDateTime().withNano(0),
                        row.late.map(Duration::toMinutes).map(String::valueOf).orElse(""), cell(handIn == null ? "" : handIn.fileName()),
                        handIn == null ? "" : handIn.must(),
                        handIn == null ? "" : handIn.should(), handIn == null ? "" : handIn.note(),
                        handIn == null || handIn.verdict() == null ? "" : handIn.verdict(), handIn == null ? "" : handIn.doubts());
            }
        }
        String name = assignment.courseCode().replace(" ", "") + "_" + assignment.code() + "_review.csv";
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(("\uFEFF" + text).getBytes(StandardCharsets.UTF_8));
    }

    /** A cell that begins, blanks aside, with a sign some spreadsheet takes for a formula is made a text. */
    static String cell(String text) {
        boolean breaks = text.chars().anyMatch(c -> c == '\t' || c == '\r' || c == '\n');
        int begins = text.codePoints().filter(
                point -> !Character.isWhitespace(point) && !Character.isSpaceChar(point) && Character.getType(point) != Character.FORMAT)
                .findFirst().orElse(' ');
        return breaks || "=+-@|%;＝＋－＠\u2212".indexOf(begins) >= 0 ? "'" + text : text;
    }

    private List<Row> rows(AssignmentView assignment) {
        Map<Long, HandInView> latest = handIns.counting(assignment);
        Map<Long, SetLocation> current = locations.current(assignment);
        CourseService.Deadlines deadlines = courses.deadlines(assignment);
        Map<Long, HandInService.PreChecks> checked = handIns.preChecked(assignment);
        List<Row> rows = new ArrayList<>();
        for (Student student : courses.roster(assignment)) {
            Optional<HandInView> handIn = Optional.ofNullable(latest.get(student.enrolmentId()));
            rows.add(new Row(student, handIn, Optional.ofNullable(current.get(student.enrolmentId())),
                    Seam.of(handIn.map(HandInView::seam).orElse(""), handIn.map(HandInView::links).orElse(0)),
                    Marks.of(handIn.map(HandInView::marks).orElse("")),
                    handIn.flatMap(one -> deadlines.of(student.enrolmentId()).late(one.receivedAt())),
                    Optional.ofNullable(checked.get(student.enrolmentId()))));
        }
        rows.sort(WORST_FIRST);
        return rows;
    }

    private static long count(List<Row> rows, String verdict) {
        return rows.stream().filter(row -> row.handIn.filter(handIn -> verdict.equals(handIn.verdict())).isPresent()).count();
    }
}
