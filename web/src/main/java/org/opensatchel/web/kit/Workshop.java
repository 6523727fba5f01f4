package org.opensatchel.web.kit;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameVerdict;
import org.opensatchel.core.naming.PatternFault;
import org.opensatchel.core.naming.PortableName;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The pattern workshop: what a pattern makes for everybody on the roster, and where a name differs from it. */
@RestController
class Workshop {

    private static final int MOST_LINK_TEXT = 4_096;
    private static final int MOST_LINKS = 200;

    private final CourseService courses;

    Workshop(CourseService courses) {
        this.courses = courses;
    }

    /** A pattern as it is typed, and a name to try it with. */
    record Asked(String pattern, boolean ascii, String name, long student) {}

    /**
     * One student's name.
     *
     * @param made the name, empty when none can be made
     * @param remarks what is worth knowing about it
     */
    record Made(long student, String listed, String made, List<String> remarks, boolean bad) {}

    /** What came of trying a name: where it first differs, counted in code points, or −1 when it fits. */
    record Tried(String whose, boolean fits, int at, String expected, String nearest) {
        boolean isNearer(Tried other) {
            return !other.fits && (fits || at > other.at);
        }
    }

    /** Everything the workshop shows. */
    record Shown(String fault, int faultAt, List<Made> names, List<String> clashes, int longest, List<String> systems, Tried tried) {}

    @PostMapping("/assignments/{id}/plan/workshop")
    Shown show(@PathVariable long id, @RequestBody Asked asked, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        NamePattern.Reading reading = NamePattern.read(asked.pattern());
        if (reading.pattern().isEmpty()) {
            PatternFault fault = reading.fault().orElseThrow();
            return new Shown(Speech.say("workshop.fault", fault.at() + 1, Speech.text(fault.what())), fault.at(), List.of(), List.of(), 0,
                    List.of(), null);
        }
        NamePattern pattern = reading.pattern().get();
        List<Student> roster = courses.roster(assignment);
        Map<String, List<String>> byName = new HashMap<>();
        List<Made> names = new ArrayList<>();
        int longest = 0;
        for (Student student : roster) {
            Made made = made(pattern, student, student.fields(assignment), asked.ascii());
            names.add(made);
            longest = Math.max(longest, made.made().length());
            if (!made.made().isEmpty()) {
                byName.computeIfAbsent(NameFolding.folded(made.made()), key -> new ArrayList<>()).add(student.listed());
            }
        }
        names.sort(Comparator.comparingInt(Workshop::hardness).reversed());
        List<String> clashes = pattern.isMadeByRoster()
                ? byName.values().stream().filter(same -> same.size() > 1)
                        .map(same -> Speech.say("workshop.clash", Speech.words().list(same))).toList()
                : List.of();
        return new Shown("", -1, names, clashes, longest, systems(longest), tried(pattern, asked, assignment, roster));
    }

    /** A link rule of the kit, as it stands in the document, and a document to try it on. */
    record RuleAsked(String rule, String text) {}

    /** What the rule finds, or why it finds nothing. */
    record RuleShown(List<String> faults, List<String> links) {}

    @PostMapping("/assignments/{id}/plan/try-rule")
    RuleShown tryRule(@PathVariable long id, @RequestBody RuleAsked asked, @AuthenticationPrincipal SignedIn me) {
        courses.forPlanner(id, me.accountId());
        String kit = "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"r\"}, \"links\": {\"custom\": [" + asked.rule() + "]}}";
        KitReading reading = KitReader.read(kit.getBytes(StandardCharsets.UTF_8));
        if (reading.kit().isEmpty()) {
            return new RuleShown(reading.faults().stream().map(fault -> Speech.text(fault.what())).toList(), List.of());
        }
        CustomLinkRule rule = reading.kit().get().links().custom().get(0);
        LinkSink sink = new LinkSink(ProjectPath.of("tried"), MOST_LINK_TEXT, Formats.ENDINGS);
        List<String> faults = new ArrayList<>();
        try {
            CustomLinkRule anywhere = new CustomLinkRule("**", rule.pattern(), rule.element(), rule.pointer(), rule.fromRoot(), rule.uri());
            new CustomLinks(List.of(anywhere)).read(ProjectPath.of("tried"), asked.text().getBytes(StandardCharsets.UTF_8), sink);
        } catch (Unreadable unreadable) {
            faults.add(Speech.say("workshop.unreadable", unreadable.problem().at().text(), Speech.text(unreadable.problem().what())));
        }
        return new RuleShown(faults, sink.links().stream().limit(MOST_LINKS).map(link -> link.at().text() + "  " + link.text()).toList());
    }

    private static Made made(NamePattern pattern, Student student, RosterFields fields, boolean ascii) {
        Optional<String> name = pattern.shortest(fields, ascii, false);
        if (name.isEmpty()) {
            return new Made(student.enrolmentId(), student.listed(), "",
                    List.of(Speech.say("workshop.no-field", Speech.text(pattern.missing(fields).get(0).say()))), true);
        }
        List<String> remarks = new ArrayList<>();
        String raw = student.last() + student.first();
        if (raw.chars().anyMatch(c -> "'’‘ʼ`´".indexOf(c) >= 0)) {
            remarks.add(Speech.say("workshop.apostrophe"));
        }
        if (raw.indexOf(' ') >= 0) {
            remarks.add(Speech.say("workshop.space"));
        }
        if (name.get().chars().anyMatch(c -> c > 126)) {
            remarks.add(Speech.say("workshop.accents-kept"));
        } else if (raw.chars().anyMatch(c -> c > 126 && c != '’')) {
            remarks.add(Speech.say("workshop.accents-dropped"));
        }
        if (student.first().isEmpty()) {
            remarks.add(Speech.say("workshop.one-name"));
        }
        int length = name.get().codePointCount(0, name.get().length());
        if (length > 40) {
            remarks.add(Speech.say("workshop.length", length));
        }
        Optional<PortableName.Refusal> refusal = PortableName.refusal(name.get());
        refusal.ifPresent(why -> remarks.add(Speech.text(why.what())));
        return new Made(student.enrolmentId(), student.listed(), name.get(), remarks, refusal.isPresent());
    }

    private static int hardness(Made made) {
        int odd = (int) made.made().chars().filter(c -> c > 126).count();
        // Who has one name is seen first: their folder is named otherwise than everybody else's.
        int alone = made.remarks().contains(Speech.say("workshop.one-name")) ? 50_000 : 0;
        return (made.bad() ? 100_000 : 0) + alone + made.remarks().size() * 1_000 + odd * 100 + made.made().length();
    }

    /** How much room is left below the root on each kind of system. */
    private static List<String> systems(int longest) {
        List<String> out = new ArrayList<>();
        for (String name : List.of("lab-windows", "lab-mac", "lab-linux")) {
            Machine machine = Machine.shipped(name).orElseThrow();
            int left = machine.maxPath() - machine.root().replace("{root}", "").length() - longest;
            out.add(Speech.say("workshop.left", machine.title().substring(machine.title().indexOf(',') + 2), Math.max(0, left)));
        }
        return out;
    }

    private static Tried tried(NamePattern pattern, Asked asked, AssignmentView assignment, List<Student> roster) {
        if (asked.name() == null || asked.name().isEmpty()) {
            return null;
        }
        Tried best = null;
        for (Student student : roster) {
            // Where nobody was chosen it is held against everybody, and told of whom it comes nearest to.
            if (asked.student() == 0 || student.enrolmentId() == asked.student()) {
                Tried tried = tried(pattern, asked, student, student.fields(assignment));
                best = best == null || tried.isNearer(best) ? tried : best;
            }
        }
        return best == null ? tried(pattern, asked, null, RosterFields.NONE) : best;
    }

    private static Tried tried(NamePattern pattern, Asked asked, Student student, RosterFields fields) {
        String whose = student == null ? "" : student.listed();
        NameVerdict test = pattern.test(asked.name(), fields, asked.ascii());
        return test instanceof NameVerdict.Differs differs
                ? new Tried(whose, false, differs.at(), Speech.text(differs.expected()), differs.nearest().orElse(""))
                : new Tried(whose, true, -1, "", "");
    }
}
