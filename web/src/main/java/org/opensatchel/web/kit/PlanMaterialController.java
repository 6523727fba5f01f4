package org.opensatchel.web.kit;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.compare.KitDifference;
import org.opensatchel.core.json.JsonDocuments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.KitPackage;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.propose.KitProposal;
import org.opensatchel.core.propose.ProposalWording;
import org.opensatchel.core.propose.ProposedPart;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What a plan is made of and comes from outside: starter files, an example, a package of somebody else's. */
@RestController
@RequestMapping(path = "/assignments/{id}/plan", consumes = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "application/zip"})
class PlanMaterialController {

    private final CourseService courses;
    private final KitEditor editor;
    private final Contents contents;
    private final long mostBytes;
    private final ReadLimits limits;

    PlanMaterialController(CourseService courses, KitEditor editor, Contents contents, SatchelProperties properties) {
        this.courses = courses;
        this.editor = editor;
        this.contents = contents;
        this.mostBytes = properties.maxUpload().toBytes();
        this.limits = properties.limits().read();
    }

    /** A file that was stored, or why it was not. */
    record StarterAnswer(String sha256, long bytes, String refusal) {}

    /**
     * A part of a proposal.
     *
     * @param key the list or object of the kit document it belongs to
     * @param value what is put there
     */
    record Part(String kind, String title, String why, List<String> examples, String key, JsonNode value) {}

    /** A plan that came from outside, to be looked at before it is taken. */
    record Offer(String title, List<Part> parts, String document, List<String> changes, List<String> refusals) {
        static Offer refused(List<String> why) {
            return new Offer("", List.of(), "", List.of(), why);
        }
    }

    @PostMapping("/starter")
    StarterAnswer starter(@PathVariable long id, @AuthenticationPrincipal SignedIn me, InputStream body) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        try {
            ContentStore.Stored stored = contents.keep(body, Purpose.STARTER, assignment.courseId(), me.accountId(), mostBytes);
            return new StarterAnswer(stored.sha256(), stored.bytes(), "");
        } catch (ContentStore.TooLarge tooLarge) {
            return new StarterAnswer("", 0, Speech.say("upload.too-large", Speech.words().size(mostBytes)));
        }
    }

    /** A plan proposed from an example project, packed as a ZIP. */
    @PostMapping("/propose")
    Offer propose(@PathVariable long id, @AuthenticationPrincipal SignedIn me, InputStream body) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        try (LocalFile example = example(assignment, me, body); ZipSource source = ZipSource.open(example.path())) {
            KitProposal.Reading reading = KitProposal.of(source, RosterFields.NONE, limits);
            return reading.proposal().map(proposal -> offer(assignment, proposal))
                    .orElseGet(() -> Offer.refused(Speech.texts(reading.refusal().stream().toList())));
        } catch (ContentStore.TooLarge tooLarge) {
            return Offer.refused(List.of(Speech.say("upload.too-large", Speech.words().size(mostBytes))));
        }
    }

    private static Offer offer(AssignmentView assignment, KitProposal proposal) {
        List<Part> parts = new ArrayList<>();
        for (ProposedPart part : proposal.parts()) {
            JsonNode alone = JsonDocuments.MAPPER.readTree(KitWriter.write(proposal.kit(assignment.title(), part::equals)));
            parts.add(part(part, alone));
        }
        return new Offer(proposal.title(), parts, "", List.of(), List.of());
    }

    private static Part part(ProposedPart part, JsonNode alone) {
        if (part instanceof ProposedPart.Root) {
            return new Part("root", part.title(), Speech.text(part.why()), part.examples(), "root", alone.get("root"));
        }
        if (part instanceof ProposedPart.Names) {
            return new Part("names", Speech.text(ProposalWording.NAME_RULES.say()), Speech.text(part.why()), part.examples(), "names",
                    alone.get("names"));
        }
        String key = part instanceof ProposedPart.Folder ? "folders" : part instanceof ProposedPart.Document ? "documents" : "files";
        return new Part(key.substring(0, key.length() - 1), part.title(), Speech.text(part.why()), part.examples(), key,
                alone.get(key).get(0));
    }

    /** A kit package: read whole and its starter files stored; the plan itself stays as it is until the page saves it. */
    @PostMapping("/import")
    Offer take(@PathVariable long id, @AuthenticationPrincipal SignedIn me, InputStream body) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        try (LocalFile file = example(assignment, me, body)) {
            return taken(assignment, me, KitPackage.open(file.path(), limits));
        } catch (ContentStore.TooLarge tooLarge) {
            return Offer.refused(List.of(Speech.say("upload.too-large", Speech.words().size(mostBytes))));
        }
    }

    /** What is only looked at is kept for a while, so that it need not be held in memory. */
    private LocalFile example(AssignmentView assignment, SignedIn me, InputStream body) throws IOException {
        return contents.local(contents.keep(body, Purpose.EXAMPLE, assignment.courseId(), me.accountId(), mostBytes).sha256());
    }

    private Offer taken(AssignmentView assignment, SignedIn me, KitPackage.Reading reading) throws IOException {
        if (reading.kitPackage().isEmpty()) {
            return Offer.refused(Speech.texts(reading.faults()));
        }
        try (KitPackage whole = reading.kitPackage().get()) {
            for (Kit.StarterFile file : whole.kit().starter()) {
                try (InputStream content = whole.open(file)) {
                    contents.keep(content, Purpose.STARTER, assignment.courseId(), me.accountId(), Long.MAX_VALUE);
                }
            }
            Optional<Kit> now = KitReader.read(editor.plan(assignment).document()).kit();
            List<String> changes = now
                    .map(kit -> KitDifference.between(kit, whole.kit()).stream().map(change -> Speech.text(change.what())).toList())
                    .orElse(List.of());
            return new Offer(whole.kit().title(), List.of(), new String(KitWriter.write(whole.kit()), StandardCharsets.UTF_8), changes,
                    List.of());
        }
    }
}
