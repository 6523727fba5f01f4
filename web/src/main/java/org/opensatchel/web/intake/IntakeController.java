package org.opensatchel.web.intake;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.roster.NameScheme;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.drive.DriveChecks;
import org.opensatchel.web.drive.PluggedIn;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobPages;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.report.ToldFindings;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.Upload;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Taking in many people's work at once: choose, see who is whom, take in, take back. */
@Controller
@RequestMapping("/assignments/{id}/intake")
class IntakeController {

    /** With more choices than these on a page, whoever is known is offered alone, and everybody once somebody goes there. */
    private static final int MOST_CHOICES = 20_000;

    private final IntakeService intakes;
    private final CourseService courses;
    private final KitService kits;
    private final DriveChecks checks;
    private final HandInService handIns;
    private final JobPages jobs;
    private final Upload upload;

    IntakeController(IntakeService intakes, CourseService courses, KitService kits, DriveChecks checks, HandInService handIns,
            JobPages jobs, ContentStore store, SatchelProperties properties) {
        this.jobs = jobs;
        this.intakes = intakes;
        this.courses = courses;
        this.kits = kits;
        this.checks = checks;
        this.handIns = handIns;
        this.upload = new Upload(store, properties.maxUpload().toBytes());
    }

    /** What our script is told after an upload. */
    record UploadAnswer(String next, String refusal) {}

    private AssignmentView assignment(long id, SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "check");
        return assignment;
    }

    /**
     * A project on a drive.
     *
     * @param student whose it seems to be; null when that cannot be told
     * @param state how far its check is; null when none was made
     * @param found what was found; null before it is
     * @param trouble why it could not be checked; null when it could
     */
    record DriveRow(PluggedIn.Project project, Student student, DriveChecks.State state, ToldFindings found, String trouble) {}

    private DriveRow row(AssignmentView assignment, IntakeService.OnDrive one, Map<Long, Student> roster) {
        DriveChecks.State state = checks.state(assignment, one.project()).orElse(null);
        return new DriveRow(one.project(), one.who().map(roster::get).orElse(null), state,
                state == null ? null : state.found().map(digest -> ToldFindings.of(digest, Speech.words())).orElse(null),
                state != null && state.failure().isPresent() ? checks.trouble(state) : null);
    }

    private Map<Long, Student> roster(AssignmentView assignment) {
        return courses.roster(assignment).stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity(), (a, b) -> a, LinkedHashMap::new));
    }

    @GetMapping
    String choose(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = assignment(id, me, model);
        Map<Long, Student> roster = roster(assignment);
        List<DriveRow> drives = intakes.onDrives(assignment).stream().map(one -> row(assignment, one, roster)).toList();
        model.addAttribute("drives", drives);
        model.addAttribute("busy", drives.stream().anyMatch(row -> row.state() != null && row.state().isBusy()));
        model.addAttribute("intakes", intakes.of(assignment));
        model.addAttribute("folders", intakes.folders());
        model.addAttribute("open", kits.current(assignment).isPresent());
        return "intake/intake";
    }

    @PostMapping(consumes = {"application/zip", "application/octet-stream"})
    ResponseEntity<UploadAnswer> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request)
            throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Upload.Taken taken = taken(request);
        return taken.stored().isEmpty()
                ? ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(new UploadAnswer("", taken.refusal()))
                : ResponseEntity.ok(new UploadAnswer(begun(assignment, taken, me), ""));
    }

    private String begun(AssignmentView assignment, Upload.Taken taken, SignedIn me) {
        return "/assignments/" + assignment.id() + "/intake/"
                + intakes.begin(assignment, taken.fileName(), taken.stored().get(), me.accountId());
    }

    private Upload.Taken taken(HttpServletRequest request) throws IOException {
        try {
            String name = Optional.ofNullable(request.getHeader("X-File-Name")).orElse("batch.zip");
            return upload.take(request,
                    java.net.URLDecoder.decode(name.replaceAll("%(?![0-9a-fA-F]{2})", "%25"), java.nio.charset.StandardCharsets.UTF_8));
        } catch (NoRoom full) {
            return new Upload.Taken(Optional.empty(), "", Speech.say("job.room"));
        }
    }

    /** The form of a browser without script. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    String form(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect)
            throws IOException {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Upload.Taken taken = taken(request);
        if (taken.stored().isEmpty()) {
            redirect.addFlashAttribute("refused", taken.refusal());
            return "redirect:/assignments/" + id + "/intake";
        }
        return "redirect:" + begun(assignment, taken, me);
    }

    @PostMapping("/folder")
    String folder(@PathVariable long id, @RequestParam int folder, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        return "redirect:/assignments/" + id + "/intake/" + intakes.begin(assignment, folder, me.accountId());
    }

    /** Has all projects checked where they lie; those that nobody can be named for wait for somebody to say whose they are. */
    @PostMapping("/drives/check")
    String check(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, Student> roster = roster(assignment);
        if (kits.current(assignment).isPresent()) {
            intakes.onDrives(assignment).stream().filter(one -> one.who().filter(roster::containsKey).isPresent())
                    .forEach(one -> checks.begin(assignment, one.project(), roster.get(one.who().get())));
        }
        return "redirect:/assignments/" + id + "/intake";
    }

    @PostMapping("/drives")
    String drives(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        return "redirect:/assignments/" + id + "/intake/" + intakes.beginDrives(assignment, Speech.say("drives.title"), me.accountId());
    }

    @GetMapping("/{intake}")
    Object look(@PathVariable long id, @PathVariable long intake, @RequestParam(defaultValue = "") String scheme,
            @AuthenticationPrincipal SignedIn me, Model model, HttpServletRequest request, HttpServletResponse response) {
        AssignmentView assignment = assignment(id, me, model);
        IntakeView found = intakes.find(assignment, intake);
        Map<Long, Student> roster = roster(assignment);
        model.addAttribute("intake", found);
        model.addAttribute("roster", roster);
        if (found.state() == IntakeView.State.LOOKED) {
            Optional<Job> asked = intakes.ask(assignment, found, me.accountId());
            return jobs.show(asked, new JobPages.Waiting("intake", "/assignments/" + id + "/intake"), request, response, model,
                    () -> preview(assignment, found, asked.orElseThrow(), scheme, roster, model));
        }
        // What failed of a thousand is not looked for.
        model.addAttribute("items", intakes.items(found).stream().sorted(Comparator.comparing(item -> item.trouble().isEmpty())).toList());
        return "intake/progress";
    }

    private String preview(AssignmentView assignment, IntakeView found, Job looked, String scheme, Map<Long, Student> roster, Model model) {
        String used = scheme.length() <= 200 ? scheme.replace("\0", "") : "";
        IntakeService.Look look = intakes.look(assignment, found, looked, used).openFirst();
        model.addAttribute("look", look);
        model.addAttribute("scheme", used);
        model.addAttribute("badScheme", !used.isBlank() && NameScheme.read(used).isEmpty());
        model.addAttribute("many", (long) look.lines().size() * roster.size() > MOST_CHOICES);
        model.addAttribute("manyOpen",
                look.lines().stream().filter(line -> line.guess().who().isEmpty()).count() * roster.size() > MOST_CHOICES);
        model.addAttribute("twice", twice(look));
        model.addAttribute("unknown", look.lines().stream().filter(line -> line.guess().who().isEmpty()).count());
        // Of drives a few are plugged in at a time: whoever handed in already is not missed.
        Set<Long> there = found.isOfDrives() ? handIns.counting(assignment).keySet() : Set.of();
        Set<Long> known = look.lines().stream().flatMap(line -> line.guess().who().stream()).collect(Collectors.toSet());
        model.addAttribute("missing", roster.values().stream()
                .filter(student -> !there.contains(student.enrolmentId()) && !known.contains(student.enrolmentId())).toList());
        return "intake/preview";
    }

    /** Who seems to have sent more than one. */
    private static List<Long> twice(IntakeService.Look look) {
        Map<Long, Long> counts = look.lines().stream().flatMap(line -> line.guess().who().stream())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return counts.entrySet().stream().filter(one -> one.getValue() > 1).map(Map.Entry::getKey).toList();
    }

    /** @param fields of the form: {@code who-} and the place in the batch, with whose it is */
    @PostMapping("/{intake}/take")
    Object take(@PathVariable long id, @PathVariable long intake, @RequestParam Map<String, String> fields,
            @AuthenticationPrincipal SignedIn me, HttpServletRequest request, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        IntakeView found = intakes.find(assignment, intake);
        String page = "redirect:/assignments/" + id + "/intake/" + intake;
        Map<Integer, Long> assigned = new HashMap<>();
        fields.forEach((name, value) -> {
            if (name.matches("who-[0-9]{1,6}") && value.matches("[0-9]{1,18}")) {
                assigned.put(Integer.parseInt(name.substring("who-".length())), Long.parseLong(value));
            }
        });
        if (kits.current(assignment).isEmpty() || assigned.isEmpty()) {
            redirect.addFlashAttribute("refused", Speech.say(assigned.isEmpty() ? "intake.nobody" : "intake.no-kit"));
            return page;
        }
        if (found.state() != IntakeView.State.LOOKED) {
            return page;
        }
        Optional<Job> looked = intakes.ask(assignment, found, me.accountId());
        return jobs.once(looked, JobPages.LONG, request, () -> {
            intakes.take(assignment, found, looked.orElseThrow(), assigned);
            return page;
        }, page);
    }

    @PostMapping("/{intake}/cancel")
    String cancel(@PathVariable long id, @PathVariable long intake, @AuthenticationPrincipal SignedIn me) {
        intakes.cancel(intakes.find(courses.forInstructor(id, me.accountId()), intake));
        return "redirect:/assignments/" + id + "/intake/" + intake;
    }

    @PostMapping("/{intake}/undo")
    String undo(@PathVariable long id, @PathVariable long intake, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        int stay = intakes.undo(assignment, intakes.find(assignment, intake), me.accountId());
        redirect.addFlashAttribute("told", Speech.say("intake.undone", stay));
        return "redirect:/assignments/" + id + "/intake/" + intake;
    }
}
