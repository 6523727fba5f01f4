package org.opensatchel.web.kit;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.apache.commons.io.IOUtils;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.core.example.ProposalWording;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.MadeFiles;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.Offered;
import org.opensatchel.worker.WorkOrder;
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
    private final MadeFiles made;
    private final Errands errands;

    PlanMaterialController(CourseService courses, KitEditor editor, Contents contents, SatchelProperties properties, MadeFiles made,
            Errands errands) {
        this.made = made;
        this.errands = errands;
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
     * @param kind what it is, in words
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
    CompletableFuture<Offer> propose(@PathVariable long id, @AuthenticationPrincipal SignedIn me, InputStream body) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        return kept(assignment, me, body, sha256 -> errands.ask(me.accountId(), () -> {
            LocalFile example = contents.local(sha256);
            return new Lent<>(new Errand.Propose(new Errand.Project(example.path().toString(), "", WorkOrder.Form.ZIP, limits),
                    assignment.title()), List.of(example));
        }, errands.page()).thenApply(Speech.kept(answer -> proposed(read(answer)))));
    }

    /** A kit package: read whole and its starter files stored; the plan itself stays as it is until the page saves it. */
    @PostMapping("/import")
    CompletableFuture<Offer> take(@PathVariable long id, @AuthenticationPrincipal SignedIn me, InputStream body) throws IOException {
        AssignmentView assignment = courses.forPlanner(id, me.accountId());
        return kept(assignment, me, body, sha256 -> unpacked(assignment, me, sha256, made.folder()));
    }

    private CompletableFuture<Offer> unpacked(AssignmentView assignment, SignedIn me, String sha256, MadeFiles.Folder folder) {
        try {
            return errands.ask(me.accountId(), () -> {
                LocalFile file = contents.local(sha256);
                return new Lent<>(new Errand.Unpack(file.path().toString(), folder.path().toString(),
                        Math.min(made.room(), limits.unpackedBytes()), limits), List.of(file));
            }, errands.page()).thenApplyAsync(Speech.kept(answer -> taken(assignment, me, read(answer))))
                    .whenComplete((done, failed) -> IOUtils.closeQuietly(folder));
        } catch (Errands.Busy busy) {
            IOUtils.closeQuietly(folder);
            throw busy;
        }
    }

    /** What is done with what was kept. */
    private interface Use {
        CompletableFuture<Offer> of(String sha256) throws IOException;
    }

    /** What is only looked at is kept for a while, so that it need not be held in memory. */
    private CompletableFuture<Offer> kept(AssignmentView assignment, SignedIn me, InputStream body,
            Use use) throws IOException {
        try {
            String sha256 = contents.keep(body, Purpose.EXAMPLE, assignment.courseId(), me.accountId(), mostBytes).sha256();
            return use.of(sha256).exceptionally(Speech.kept(PlanMaterialController::unanswered));
        } catch (ContentStore.TooLarge tooLarge) {
            return CompletableFuture
                    .completedFuture(Offer.refused(List.of(Speech.say("upload.too-large", Speech.words().size(mostBytes)))));
        } catch (Errands.Busy busy) {
            return CompletableFuture.completedFuture(unanswered(busy));
        }
    }

    private static Offer unanswered(Throwable failed) {
        Throwable cause = failed instanceof CompletionException && failed.getCause() != null ? failed.getCause() : failed;
        if (cause instanceof Errands.Busy) {
            return Offer.refused(List.of(Speech.say("job.own")));
        }
        if (cause instanceof Errands.NoAnswer none) {
            return Offer.refused(List.of(Speech.say(none.isOfSize() ? "plan.too-much" : "job.fault")));
        }
        throw cause instanceof RuntimeException own ? own : new CompletionException(cause);
    }

    private static Offered read(byte[] answer) {
        return JsonDocuments.MAPPER.readValue(answer, Offered.class);
    }

    private static Offer proposed(Offered offered) {
        return offered.faults().isEmpty()
                ? new Offer(offered.title(), offered.parts().stream().map(PlanMaterialController::part).toList(), "", List.of(), List.of())
                : refused(offered);
    }

    private static Offer refused(Offered offered) {
        return Offer.refused(Speech.texts(offered.faults().stream().flatMap(fault -> Facts.phrase(fault).stream()).toList()));
    }

    private static Part part(Offered.Part part) {
        JsonNode alone = JsonDocuments.MAPPER.readTree(part.kit());
        String kind = part.kind().name().toLowerCase(Locale.ROOT);
        boolean one = part.kind() == Offered.Kind.ROOT || part.kind() == Offered.Kind.NAMES;
        String key = one ? kind : kind + "s";
        String title = part.kind() == Offered.Kind.NAMES ? Speech.text(ProposalWording.NAME_RULES.say()) : part.title();
        return new Part(Speech.say("plan.proposed-" + part.kind()), title, Speech.text(Facts.phrase(part.why()).orElseThrow()),
                part.examples(), key,
                one ? alone.get(key) : alone.get(key).get(0));
    }

    private Offer taken(AssignmentView assignment, SignedIn me, Offered offered) {
        if (!offered.faults().isEmpty()) {
            return refused(offered);
        }
        String document = offered.kit().orElseThrow();
        try {
            for (String starter : offered.starters()) {
                try (InputStream content = Files.newInputStream(Path.of(starter))) {
                    contents.keep(content, Purpose.STARTER, assignment.courseId(), me.accountId(), Long.MAX_VALUE);
                }
            }
        } catch (NoRoom full) {
            return Offer.refused(List.of(Speech.say("job.room")));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
        Kit fresh = KitReader.read(document.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        List<String> changes = KitReader.read(editor.plan(assignment).document()).kit()
                .map(kit -> KitDifference.between(kit, fresh).stream().map(change -> Speech.text(change.what())).toList())
                .orElse(List.of());
        return new Offer(offered.title(), List.of(), document, changes, List.of());
    }
}
