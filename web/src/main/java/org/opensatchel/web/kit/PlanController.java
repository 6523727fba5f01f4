package org.opensatchel.web.kit;

import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.kit.KitFlag;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.lint.LintFault;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.pack.KitPackage;
import org.opensatchel.formats.kind.TypeFamily;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.text.Speech;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The plan of an assignment's kit: edited in place by a script, or as its document without one, saved and published. */
@Controller
@RequestMapping("/assignments/{id}/plan")
class PlanController {

    private final CourseService courses;
    private final KitService kits;
    private final KitEditor editor;
    private final Contents contents;
    private final BriefPresets presets;

    PlanController(CourseService courses, KitService kits, KitEditor editor, Contents contents, BriefPresets presets) {
        this.courses = courses;
        this.kits = kits;
        this.editor = editor;
        this.contents = contents;
        this.presets = presets;
    }

    /** One fault as the page marks it. */
    record Fault(String at, String severity, String message, String remedy) {
        static Fault of(JsonFault fault) {
            return new Fault(fault.at(), "must", Speech.text(fault.what()), "");
        }

        static Fault of(LintFault fault) {
            return new Fault(fault.at(), fault.code().severity().word(), Speech.text(fault.what()), Speech.text(fault.remedy()));
        }
    }

    /**
     * A finding that a kit may let weigh more or less.
     *
     * @param judged whether some check gives it; no other is offered, but a kit from before may name one
     */
    record Weighed(String id, String title, boolean judged) {
        static List<Weighed> all() {
            return Stream.of(Code.values()).filter(code -> code.family() != Family.PACKAGE)
                    .map(code -> new Weighed(code.id(), Speech.say(code.id() + ".title"), Rules.judged().contains(code))).toList();
        }
    }

    /** What the page sends: a plan, and what it was made from. */
    record Sent(String document, int revision, int version) {}

    /** What comes back for a plan that was sent. */
    record Answer(boolean good, int revision, int version, List<Fault> faults, String by, String theirs, List<String> others) {
        static Answer faults(Sent sent, List<Fault> faults) {
            return new Answer(false, sent.revision, sent.version, faults, "", "", List.of());
        }
    }

    @GetMapping
    String plan(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        KitEditor.Plan plan = editor.plan(assignment);
        page(model, assignment, me, plan, new String(plan.document(), StandardCharsets.UTF_8));
        model.addAttribute("faults", List.of());
        return "kit/plan";
    }

    private void page(Model model, AssignmentView assignment, SignedIn me, KitEditor.Plan plan, String document) {
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "plan");
        model.addAttribute("plan", plan);
        model.addAttribute("document", document);
        model.addAttribute("roster", courses.roster(assignment).size());
        model.addAttribute("module", "plan/page");
        model.addAttribute("scriptWords", "plan");
        model.addAttribute("machines", Machine.SHIPPED);
        model.addAttribute("flags", KitFlag.ofFolders());
        model.addAttribute("codes", Weighed.all());
        model.addAttribute("families", TypeFamily.values());
        model.addAttribute("readyMade", ReadyMade.all());
        model.addAttribute("presets", presets.offered(me.accountId()));
    }

    /** The form of a browser without script: the document itself. */
    @PostMapping
    String form(@PathVariable long id, @RequestParam String document, @RequestParam int revision, @RequestParam int version,
            @RequestParam(required = false) String publish,
            @AuthenticationPrincipal SignedIn me, Model model, RedirectAttributes redirect) {
        Sent sent = new Sent(document, revision, version);
        Answer answer = publish == null ? save(id, sent, me) : publish(id, sent, me);
        if (answer.good()) {
            redirect.addFlashAttribute("told", publish == null ? Speech.say("plan.saved") : Speech.say("plan.published", answer.version()));
            return "redirect:/assignments/" + id + "/plan";
        }
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        page(model, assignment, me, editor.plan(assignment), document);
        model.addAttribute(
                "faults", Stream
                        .concat(answer.faults().stream(),
                                answer.others().stream()
                                        .map(text -> new Fault("", "should", Speech.say("plan.by-meanwhile", answer.by(), text), "")))
                        .toList());
        return "kit/plan";
    }

    @PostMapping("/judge")
    @ResponseBody
    Answer judge(@PathVariable long id, @RequestBody Sent sent, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Optional<byte[]> document = KitEditor.object(sent.document());
        return Answer.faults(sent, document.isEmpty() ? List.of(noObject()) : faults(editor.judge(assignment, document.get(), false)));
    }

    /** Keeps the plan as it is; what stands against it is asked for apart, so that keeping never waits for it. */
    @PostMapping("/save")
    @ResponseBody
    Answer save(@PathVariable long id, @RequestBody Sent sent, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        Optional<byte[]> document = KitEditor.object(sent.document());
        if (document.isEmpty()) {
            return Answer.faults(sent, List.of(noObject()));
        }
        KitEditor.Saving saving = editor.save(assignment, document.get(), sent.revision(), me.accountId());
        return new Answer(saving.saved(), saving.revision(), sent.version(), List.of(), saving.by(),
                new String(saving.theirs(), StandardCharsets.UTF_8), saving.others());
    }

    /** Saves first: what is refused is not lost. */
    @PostMapping("/publish")
    @ResponseBody
    Answer publish(@PathVariable long id, @RequestBody Sent sent, @AuthenticationPrincipal SignedIn me) {
        Answer saved = save(id, sent, me);
        if (!saved.good()) {
            return saved;
        }
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        byte[] document = KitEditor.object(sent.document()).orElseThrow();
        KitEditor.Judgement judgement = editor.judge(assignment, document, true);
        if (!judgement.mayBePublished()) {
            return new Answer(false, saved.revision(), sent.version(), faults(judgement), "", "", List.of());
        }
        KitService.Publishing publishing = editor.publish(assignment, document, sent.version(), me.accountId());
        int version = publishing.published().map(kit -> kit.kit().version()).orElse(sent.version());
        List<Fault> faults = publishing.published().isPresent() ? faults(judgement) : publishing.faults().stream().map(Fault::of).toList();
        return new Answer(publishing.published().isPresent(), saved.revision(), version, faults, "", "", List.of());
    }

    /** A document from elsewhere, before it is taken: what it would change in words. */
    @PostMapping("/compare")
    @ResponseBody
    Answer compare(@PathVariable long id, @RequestBody Sent sent, @AuthenticationPrincipal SignedIn me) {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        byte[] document = sent.document().getBytes(StandardCharsets.UTF_8);
        List<Fault> faults = KitReader.read(document).faults().stream().map(Fault::of).toList();
        return new Answer(faults.isEmpty(), sent.revision(), sent.version(), faults, "", "",
                faults.isEmpty() ? editor.changes(assignment, document) : List.of());
    }

    private static Fault noObject() {
        return Fault.of(new JsonFault("", PublishWording.NO_OBJECT.say(Facts.of(MOST_BYTES, KitReader.MAX_BYTES))));
    }

    private static List<Fault> faults(KitEditor.Judgement judgement) {
        return Stream.concat(judgement.faults().stream().map(Fault::of), judgement.lint().stream().map(Fault::of)).toList();
    }

    @GetMapping("/kit.json")
    ResponseEntity<byte[]> document(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        PublishedKit kit = published(id, me);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(kit, ".kit.json")).body(KitWriter.write(kit.kit()));
    }

    /** The published kit with its starter files, for another instructor. */
    @GetMapping("/kit.satchelkit")
    void exchange(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attachment(kit, ".satchelkit"));
        KitPackage.write(kit.kit(), contents.starters(assignment.courseId()), response.getOutputStream());
    }

    private PublishedKit published(long id, SignedIn me) {
        return kits.current(courses.forPlanner(id, me.accountId())).orElseThrow(NotAccessible::new);
    }

    private static String attachment(PublishedKit kit, String ending) {
        String name = kit.kit().title().replaceAll("[^\\p{L}\\p{N}]+", "_") + "_v" + kit.kit().version() + ending;
        return ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString();
    }
}
