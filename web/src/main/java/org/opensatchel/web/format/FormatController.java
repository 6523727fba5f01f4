package org.opensatchel.web.format;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.example.SlotStory;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.formats.described.Slot;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.format.LearningService.Source;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.FolderReading;
import org.opensatchel.web.upload.Upload;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriUtils;

/** Formats of programs' documents, for an assignment's kit: described from an example, tried, kept, used, shared. */
@Controller
@RequestMapping("/assignments/{id}/plan/formats")
class FormatController {

    private final CourseService courses;
    private final FormatService formats;
    private final LearningService lessons;
    private final HandInService handIns;
    private final Contents contents;
    private final Upload upload;
    private final SatchelProperties properties;

    FormatController(CourseService courses, FormatService formats, LearningService lessons, HandInService handIns, Contents contents,
            ContentStore store, SatchelProperties properties) {
        this.courses = courses;
        this.formats = formats;
        this.lessons = lessons;
        this.handIns = handIns;
        this.contents = contents;
        this.upload = new Upload(store, properties.maxUpload().toBytes());
        this.properties = properties;
    }

    private static String page(long assignment) {
        return "/assignments/" + assignment + "/plan/formats";
    }

    /** What the script is told of an upload. */
    record Answer(String next, String refusal) {}

    /**
     * A place in the documents as the page shows it.
     *
     * @param learned what it was learned to be
     * @param role what it is to be
     */
    record PlaceView(String field, SlotStory story, List<String> samples, String learned, String role, boolean undecided) {}

    /** A kind of documents. */
    record KindView(int number, String files, long documents, boolean kept, boolean absolute, List<PlaceView> places) {}

    @GetMapping
    String page(@PathVariable long id, @RequestParam(name = "hand-in", defaultValue = "0") long handIn,
            @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        common(model, assignment, me);
        model.addAttribute("formats", formats.usable(assignment));
        model.addAttribute("onlyHere", formats.onlyInPlan(assignment));
        if (handIn > 0) {
            HandInService.Shown shown = handIns.show(handIn, me.accountId());
            model.addAttribute("handIn", shown.handIn());
            model.addAttribute("student", shown.place().student());
            model.addAttribute("doubted", shown.handIn().isDone() ? handIns.digest(shown).head().doubted() : List.of());
        }
        model.addAttribute("to",
                page(id) + "/example" + (handIn > 0 ? "?second=" + handIn + "&secondForm=" + Source.HAND_IN : ""));
        return "format/formats";
    }

    private void common(Model model, AssignmentView assignment, SignedIn me) {
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "plan");
        model.addAttribute("module", "look/page");
        model.addAttribute("scriptWords", "look");
        model.addAttribute("reading", FolderReading.under(Optional.empty(), properties.maxPacket()).json());
        model.addAttribute("key", "example-" + me.accountId() + "-" + assignment.id());
    }

    /** An example as our script sends it: a packet of a folder, or a ZIP as it is; or the form of a browser without script. */
    @PostMapping("/example")
    ResponseEntity<?> example(@PathVariable long id, @RequestParam Map<String, String> query,
            @RequestHeader(name = "X-Whole", required = false) String whole, @AuthenticationPrincipal SignedIn me,
            HttpServletRequest request)
            throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        boolean form = Optional.ofNullable(request.getContentType()).orElse("").startsWith(MediaType.MULTIPART_FORM_DATA_VALUE);
        Upload.Taken taken = upload.take(request, "example");
        String next = page(id);
        if (taken.stored().isPresent()) {
            contents.own(taken.stored().get(), Purpose.EXAMPLE, assignment.courseId(), me.accountId());
            String sent = (query.containsKey("file") ? "second" : "file") + "=" + taken.stored().get().sha256() + "&"
                    + (query.containsKey("file") ? "secondForm" : "form") + "=" + (form || whole != null ? "ZIP" : "LISTING");
            next += "/example?" + sent + carried(query);
        }
        if (form) {
            return ResponseEntity.status(HttpStatus.SEE_OTHER).header(HttpHeaders.LOCATION, next).build();
        }
        return ResponseEntity.status(taken.refusal().isEmpty() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT)
                .body(new Answer(next, taken.refusal()));
    }

    /** What an address carries on: the projects that were sent before, and what was chosen. */
    private static String carried(Map<String, String> query) {
        StringBuilder out = new StringBuilder(new Choices(query).query());
        for (String key : List.of("file", "form", "second", "secondForm")) {
            if (query.containsKey(key) && query.get(key).matches("[0-9a-f]{64}|[0-9]{1,18}|ZIP|LISTING|HAND_IN")) {
                out.append('&').append(key).append('=').append(query.get(key));
            }
        }
        return out.toString();
    }

    @GetMapping("/example")
    String learned(@PathVariable long id, @RequestParam Map<String, String> query, @AuthenticationPrincipal SignedIn me, Model model,
            HttpServletResponse response) {
        String page = learned(courses.forPlanner(id, me.accountId()), query, me, model);
        if (model.containsAttribute("waits")) {
            // Browsers look again by themselves (with and without script) until it is there.
            response.setHeader("Refresh", "1");
        }
        return page;
    }

    private String learned(AssignmentView assignment, Map<String, String> query, SignedIn me, Model model) {
        common(model, assignment, me);
        Source from = source(assignment, me, query.getOrDefault("file", ""), query.getOrDefault("form", ""));
        model.addAttribute("query", query);
        model.addAttribute("to", page(assignment.id()) + "/example?" + carried(query).replaceFirst("^&", ""));
        if (!from.isSent()) {
            model.addAttribute("unreadable", true);
            return "format/learned";
        }
        LearningService.Asked<LearningService.Told> asked = lessons.learn(from);
        if (asked.answer().isEmpty()) {
            return waiting(asked.job(), query, model);
        }
        LearningService.Told told = asked.answer().get();
        if (told.learned().isEmpty()) {
            model.addAttribute("nothing", told.nothing().orElseThrow());
            return "format/learned";
        }
        Choices choices = new Choices(query);
        Learned learned = told.learned().get();
        String title = FormatService.title(query.getOrDefault("title", ""));
        model.addAttribute("called", title.isEmpty() ? Speech.say("format.title-of", files(learned.kinds().get(0))) : title);
        model.addAttribute("kinds", kinds(learned, learned.samples(), choices));
        model.addAttribute("locations", learned.locations().stream().flatMap(Optional::stream).toList());
        Optional<Profile> profile = choices.profile(learned, "Tried");
        if (profile.isPresent()) {
            model.addAttribute("first", lessons.tried(from, profile.get()));
            Source second = source(assignment, me, query.getOrDefault("second", ""), query.getOrDefault("secondForm", ""));
            if (query.containsKey("second") && second.isSent()) {
                model.addAttribute("second", lessons.tried(second, profile.get()));
            }
        }
        return "format/learned";
    }

    /** What is being learned can be left and come back to under the same address. */
    private static String waiting(Optional<Job> job, Map<String, String> query, Model model) {
        Optional<Job.Trouble> trouble = job.flatMap(Job::trouble).filter(why -> !job.get().isOpen());
        if (trouble.filter(Job.Trouble.GONE::equals).isPresent()) {
            model.addAttribute("gone", true);
        } else if (trouble.isPresent()) {
            model.addAttribute("wrong", Speech.say(trouble.get() == Job.Trouble.SIZE ? "format.too-much" : "format.fault"));
        } else if (job.isPresent() && !job.get().isOpen()) {
            model.addAttribute("wrong", Speech.say("format.cancelled"));
        } else {
            model.addAttribute("waits", true);
            model.addAttribute("before", job.map(Job::before).orElse(-1L));
        }
        return "format/learned";
    }

    /** Learning from an example is not wanted any more. */
    @PostMapping("/example/cancel")
    String cancel(@PathVariable long id, @RequestParam Map<String, String> form, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        lessons.cancel(source(assignment, me, form.getOrDefault("file", ""), form.getOrDefault("form", "")));
        return told(id, redirect, "format.cancelled");
    }

    private static Source source(AssignmentView assignment, SignedIn me, String file, String form) {
        boolean handIn = form.equals(Source.HAND_IN) && file.matches("[0-9]{1,18}");
        return new Source(assignment.courseId(), me.accountId(), handIn ? "" : file, form, handIn ? Long.parseLong(file) : 0);
    }

    private static String files(Kind kind) {
        return kind.files().substring(kind.files().lastIndexOf('/') + 1);
    }

    private static List<KindView> kinds(Learned learned, Map<String, List<String>> samples, Choices choices) {
        List<KindView> out = new ArrayList<>();
        for (int i = 0; i < learned.kinds().size(); i++) {
            Kind kind = learned.kinds().get(i);
            List<PlaceView> places = new ArrayList<>();
            for (Slot slot : kind.slots()) {
                places.add(place(i, kind, slot, false, samples, choices));
            }
            for (Slot slot : kind.undecided()) {
                places.add(place(i, kind, slot, true, samples, choices));
            }
            out.add(new KindView(i, files(kind), learned.documents().get(i), choices.keeps(i), kind.absolute(), places));
        }
        return out;
    }

    private static PlaceView place(int number, Kind kind, Slot slot, boolean undecided, Map<String, List<String>> samples,
            Choices choices) {
        return new PlaceView("role-" + number + "-" + slot.id(), SlotStory.of(kind, slot),
                samples.getOrDefault(number + "." + slot.id(), List.of()), Choices.word(slot.role()), choices.role(number, slot, undecided),
                undecided);
    }

    /** Shows what the choices come to, or keeps it: in the course, and in the plan. */
    @PostMapping("/keep")
    String keep(@PathVariable long id, @RequestParam Map<String, String> form, @AuthenticationPrincipal SignedIn me, Model model,
            RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        if (!form.containsKey("keep")) {
            String title = FormatService.title(form.getOrDefault("title", ""));
            return "redirect:" + page(id) + "/example?"
                    + (carried(form) + "&title=" + UriUtils.encode(title, StandardCharsets.UTF_8))
                            .replaceFirst("^&", "");
        }
        String title = FormatService.title(form.getOrDefault("title", ""));
        Source from = source(assignment, me, form.getOrDefault("file", ""), form.getOrDefault("form", ""));
        Optional<Learned> learned = from.isSent() ? lessons.learn(from).answer().flatMap(LearningService.Told::learned) : Optional.empty();
        if (learned.isEmpty()) {
            return learned(assignment, form, me, model);
        }
        Optional<Profile> profile = new Choices(form).profile(learned.get(), title);
        if (title.isEmpty() || profile.isEmpty()) {
            model.addAttribute("wrong", Speech.say(title.isEmpty() ? "format.no-title" : "format.no-link"));
            return learned(assignment, form, me, model);
        }
        long kept = formats.keep(assignment, profile.get(), me.accountId());
        boolean used = formats.use(assignment, kept, me.accountId());
        redirect.addFlashAttribute("told", Speech.say(used ? "format.kept" : "format.kept-only", title));
        return "redirect:" + page(id);
    }

    @PostMapping("/{format}/use")
    String use(@PathVariable long id, @PathVariable long format, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        boolean done = formats.use(assignment, format, me.accountId());
        return told(id, redirect, done ? "format.used" : "format.meanwhile", formats.newest(assignment, format).title());
    }

    @PostMapping("/leave-out")
    String leaveOut(@PathVariable long id, @RequestParam String title, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        boolean done = formats.leaveOut(courses.forPlanner(id, me.accountId()), title, me.accountId());
        return told(id, redirect, done ? "format.left-out" : "format.meanwhile", title);
    }

    @PostMapping("/{format}/share")
    String share(@PathVariable long id, @PathVariable long format, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        formats.share(assignment, format, me.accountId());
        return told(id, redirect, "format.shared", formats.newest(assignment, format).title());
    }

    private static String told(long id, RedirectAttributes redirect, String key, Object... title) {
        redirect.addFlashAttribute("told", Speech.say(key, title));
        return "redirect:" + page(id);
    }

    @GetMapping("/{format}.profile.json")
    ResponseEntity<byte[]> document(@PathVariable long id, @PathVariable long format, @AuthenticationPrincipal SignedIn me) {
        Profile profile = formats.newest(courses.forPlanner(id, me.accountId()), format);
        String name = profile.title().replaceAll("[^\\p{L}\\p{N}]+", "_").replaceAll("^_|_$", "") + Profile.SUFFIX;
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(ProfileWriter.write(profile));
    }

    /** A description from elsewhere, pasted or chosen: kept in the course, and used when that is asked for. */
    @PostMapping("/import")
    String take(@PathVariable long id, @RequestParam String document, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        ProfileReading reading = ProfileReader.read(document.getBytes(StandardCharsets.UTF_8));
        if (reading.profile().isEmpty()) {
            redirect.addFlashAttribute("refused", reading.faults().stream().limit(5).map(JsonFault::said).map(Speech::text).toList());
            redirect.addFlashAttribute("document", document.length() > 20_000 ? "" : document);
            return "redirect:" + page(id);
        }
        Profile read = reading.profile().get();
        String title = FormatService.title(read.title());
        Profile profile = new Profile(title.isEmpty() ? Speech.say("format.title-of", files(read.kinds().get(0))) : title, read.kinds());
        formats.keep(assignment, profile, me.accountId());
        return told(id, redirect, "format.imported", profile.title());
    }
}
