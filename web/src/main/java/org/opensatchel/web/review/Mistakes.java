package org.opensatchel.web.review;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.judging.Theme;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.judging.ClassFindings;
import org.opensatchel.web.text.Speech;

/**
 * The class's own mistakes: what several do wrong in the same way, the most frequent first.
 *
 * @param handedIn how many handed in something that could be read
 * @param codes the codes of the matrix, the most frequent first
 */
record Mistakes(int handedIn, List<Mistake> all, List<String> codes, List<MatrixRow> matrix, List<Movement> moved) {

    private static final int MOST_SUBJECTS = 3;
    private static final int MOST_CODES = 24;
    /** What a whole class is told about at once. */
    static final int TOLD = 3;

    /**
     * A way to do it wrong.
     *
     * @param who who does, in the order of the roster
     * @param subjects files that several of them miss
     */
    record Mistake(Theme theme, String severity, List<Student> who, int of, List<ClassFindings.Shared> subjects) {

        public String words() {
            Words words = Speech.words();
            String own = "mistake." + theme.text().replace(':', '.');
            String plain = "mistake." + theme.code();
            String key = words.keys().contains(own) ? own : words.keys().contains(plain) ? plain : "mistake.other";
            return words.fill(key, who.size(), of, words.title(theme.code()));
        }

        public String title() {
            return Speech.words().title(theme.code());
        }

        public Optional<Sentence> why() {
            return Code.of(theme.code()).map(Speech.words()::why);
        }

        public List<Sentence> remedy() {
            return Code.of(theme.code()).map(Speech.words()::remedy).orElse(List.of());
        }
    }

    /** One student's counts by code; a severity and a count each, or empty. */
    record MatrixRow(Student student, List<Cell> cells) {}

    /** How often one student has one code. */
    record Cell(String severity, long count) {
        static final Cell NONE = new Cell("", 0);
    }

    /**
     * How a mistake moved from the first hand-ins to those that count, among who handed in more than once.
     *
     * @param before how many made it at first
     * @param mended how many of those do not any more
     * @param fresh how many make it now and did not at first
     */
    record Movement(Mistake mistake, int before, int mended, int fresh) {}

    static Mistakes of(List<Student> roster, int handedIn, ClassFindings findings) {
        Map<Long, Student> students = roster.stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        Map<String, List<ClassFindings.Line>> byTheme = findings.now().stream().filter(line -> students.containsKey(line.enrolment()))
                .collect(Collectors.groupingBy(ClassFindings.Line::theme, TreeMap::new, Collectors.toList()));
        List<Mistake> all = new ArrayList<>();
        byTheme.forEach((theme, lines) -> all.add(mistake(theme, lines, roster, handedIn, findings)));
        all.sort(Comparator.comparing((Mistake one) -> -one.who.size()).thenComparing(one -> one.severity.equals("must") ? 0 : 1));
        List<String> codes = all.stream().map(one -> one.theme.code()).distinct().limit(MOST_CODES).toList();
        return new Mistakes(handedIn, all, codes, matrix(roster, codes, findings), moved(all, findings));
    }

    private static Mistake mistake(String theme, List<ClassFindings.Line> lines, List<Student> roster, int of, ClassFindings findings) {
        List<Long> who = lines.stream().map(ClassFindings.Line::enrolment).distinct().toList();
        boolean must = lines.stream().anyMatch(line -> line.severity().equals("must"));
        return new Mistake(Theme.read(theme), must ? "must" : "should",
                roster.stream().filter(student -> who.contains(student.enrolmentId())).toList(),
                of, findings.shared().stream().filter(shared -> shared.theme().equals(theme)).limit(MOST_SUBJECTS).toList());
    }

    private static List<MatrixRow> matrix(List<Student> roster, List<String> codes, ClassFindings findings) {
        Map<Long, Map<String, Cell>> cells = new LinkedHashMap<>();
        findings.now().forEach(line -> cells.computeIfAbsent(line.enrolment(), key -> new LinkedHashMap<>()).merge(line.code(),
                new Cell(line.severity(), line.findings()),
                (a, b) -> new Cell(a.severity.equals("must") ? a.severity : b.severity, a.count + b.count)));
        return roster.stream().filter(student -> cells.containsKey(student.enrolmentId())).map(student -> new MatrixRow(student,
                codes.stream().map(code -> cells.get(student.enrolmentId()).getOrDefault(code, Cell.NONE)).toList())).toList();
    }

    private static List<Movement> moved(List<Mistake> all, ClassFindings findings) {
        Map<String, List<Long>> first = findings.first().stream().collect(Collectors.groupingBy(ClassFindings.Line::theme,
                Collectors.mapping(ClassFindings.Line::enrolment, Collectors.collectingAndThen(Collectors.toSet(), List::copyOf))));
        List<Long> again = findings.first().stream().map(ClassFindings.Line::enrolment).distinct().toList();
        Map<String, Mistake> known = all.stream().collect(Collectors.toMap(one -> one.theme.text(), Function.identity()));
        List<Movement> out = new ArrayList<>();
        first.forEach((theme, before) -> {
            Mistake now = known.getOrDefault(theme, new Mistake(Theme.read(theme), "must", List.of(), 0, List.of()));
            List<Long> still = now.who.stream().map(Student::enrolmentId).toList();
            out.add(new Movement(now, before.size(), (int) before.stream().filter(who -> !still.contains(who)).count(),
                    (int) still.stream().filter(who -> again.contains(who) && !before.contains(who)).count()));
        });
        out.sort(Comparator.comparing((Movement one) -> -one.before));
        return out;
    }

    /** What more than one does. */
    public List<Mistake> common() {
        return all.stream().filter(one -> one.who.size() > 1).toList();
    }

    /** What one alone does. */
    public List<Mistake> single() {
        return all.stream().filter(one -> one.who.size() == 1).toList();
    }

    /** What to say to the class: the three most common. */
    public List<Mistake> toTell() {
        return all.stream().limit(TOLD).toList();
    }
}
