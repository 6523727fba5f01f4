package org.opensatchel.web.kit;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.lint.KitLint;
import org.opensatchel.core.lint.LintFault;
import org.opensatchel.core.lint.LintSubject;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.text.Speech;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

/** The plan of an assignment while it is worked on: kept save by save, held against the rules, and published. */
@Service
public class KitEditor {

    private static final int KEPT_SAVES = 50;

    private final KitDraftRepository drafts;
    private final KitRows rows;
    private final KitService kits;
    private final CourseService courses;
    private final AccountService accounts;
    private final Contents contents;
    private final Clock clock;
    private final TransactionTemplate transaction;

    KitEditor(KitDraftRepository drafts, KitRows rows, KitService kits, CourseService courses, AccountService accounts, Contents contents,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.drafts = drafts;
        this.rows = rows;
        this.kits = kits;
        this.courses = courses;
        this.accounts = accounts;
        this.contents = contents;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * The plan as it stands.
     *
     * @param document the kit document, which may have faults in it
     * @param revision the last save, 0 when nothing was saved yet
     * @param published the current version, 0 when there is none
     * @param changed whether it says anything the published one does not
     */
    public record Plan(byte[] document, int revision, int published, boolean changed, Optional<Instant> savedAt, String savedBy) {}

    /**
     * What came of a save.
     *
     * @param revision the revision it is now
     * @param others for a plan that somebody else saved meanwhile: what they changed
     */
    public record Saving(boolean saved, int revision, String by, byte[] theirs, List<String> others) {}

    /** What is wrong with a document: what cannot be read, else what could not go out. */
    public record Judgement(List<JsonFault> faults, List<LintFault> lint) {
        public boolean mayBePublished() {
            return faults.isEmpty() && KitLint.mayBePublished(lint);
        }
    }

    public Plan plan(AssignmentView assignment) {
        Optional<PublishedKit> current = kits.current(assignment);
        byte[] published = current.map(kit -> KitWriter.write(kit.kit())).orElseGet(() -> blank(assignment));
        int version = current.map(kit -> kit.kit().version()).orElse(0);
        Optional<KitDraft> draft = drafts.findFirstByAssignmentIdOrderByRevisionDesc(assignment.id());
        if (draft.isEmpty() || current.filter(kit -> kit.publishedAt().isAfter(draft.get().savedAt())).isPresent()) {
            return new Plan(published, draft.map(KitDraft::revision).orElse(0), version, false, Optional.empty(), "");
        }
        return new Plan(draft.get().document(), draft.get().revision(), version, true, Optional.of(draft.get().savedAt()),
                accounts.displayName(draft.get().savedBy()));
    }

    /** What a kit is made from when there is nothing yet. */
    private static byte[] blank(AssignmentView assignment) {
        ObjectNode document = JsonDocuments.MAPPER.createObjectNode().put("kit", 1).put("title", assignment.title()).put("version", 1)
                .put("assignment", assignment.code());
        document.putObject("root").put("name", "{course}_{assignment}_{last}_{first}");
        document.putArray("folders");
        return JsonDocuments.MAPPER.writeValueAsBytes(document);
    }

    /** Keeps a plan, faults and all, if nobody saved since the revision it was made from. */
    public Saving save(AssignmentView assignment, byte[] document, int basedOn, long accountId) {
        try {
            return transaction.execute(status -> {
                int latest = drafts.findFirstByAssignmentIdOrderByRevisionDesc(assignment.id()).map(KitDraft::revision).orElse(0);
                // A base that never was saved is nobody's work: there is nothing to lose.
                if (latest != basedOn && latest > 0) {
                    return meanwhile(assignment, basedOn);
                }
                drafts.saveAndFlush(new KitDraft(assignment.id(), latest + 1, document, clock.instant(), accountId));
                return new Saving(true, latest + 1, "", new byte[0], List.of());
            });
        } catch (DataIntegrityViolationException sameMoment) {
            return meanwhile(assignment, basedOn);
        }
    }

    /** Lets go of saves that nobody will ask for: all but the last fifty of a plan and one of each day. Returns how many. */
    public int prune() {
        return rows.prune(KEPT_SAVES);
    }

    private Saving meanwhile(AssignmentView assignment, int basedOn) {
        KitDraft theirs = drafts.findFirstByAssignmentIdOrderByRevisionDesc(assignment.id()).orElseThrow();
        Optional<byte[]> base = basedOn == 0
                ? kits.current(assignment).map(kit -> KitWriter.write(kit.kit())).or(() -> Optional.of(blank(assignment)))
                : drafts.findByAssignmentIdAndRevision(assignment.id(), basedOn).map(KitDraft::document);
        return new Saving(false, theirs.revision(), accounts.displayName(theirs.savedBy()), theirs.document(),
                changes(base, theirs.document()));
    }

    /** What a document would change in the plan as it stands. */
    public List<String> changes(AssignmentView assignment, byte[] document) {
        return changes(Optional.of(plan(assignment).document()), document);
    }

    private static List<String> changes(Optional<byte[]> before, byte[] after) {
        Optional<Kit> from = before.flatMap(document -> KitReader.read(document).kit());
        Optional<Kit> to = KitReader.read(after).kit();
        if (from.isEmpty() || to.isEmpty()) {
            return List.of(Speech.say("plan.theirs-faulty"));
        }
        return KitDifference.between(from.get(), to.get()).stream().map(change -> Speech.text(change.what())).toList();
    }

    /**
     * Holds a document against everything a kit has to be.
     *
     * @param whole whether the starter files are looked into as well
     */
    public Judgement judge(AssignmentView assignment, byte[] document, boolean whole) {
        KitReading reading = KitReader.read(document);
        if (reading.kit().isEmpty()) {
            return new Judgement(reading.faults(), List.of());
        }
        if (!reading.kit().get().links().named().isEmpty()) {
            // Nobody here gives it beside the kit, and what it describes would go unread without a word.
            return new Judgement(List.of(new JsonFault("/links/profiles", PublishWording.NAMED_PROFILE.say())), List.of());
        }
        List<RosterFields> roster = courses.roster(assignment).stream().map(student -> student.fields(assignment)).toList();
        Optional<StarterContents> starters = whole ? Optional.of(contents.starters(assignment.courseId())) : Optional.empty();
        try {
            return new Judgement(List.of(), KitLint.judge(new LintSubject(reading.kit().get(), roster, starters)));
        } catch (IOException broken) {
            throw new UncheckedIOException("a starter file broke while it was read", broken);
        }
    }

    /** Publishes a document that nothing stands against. */
    public KitService.Publishing publish(AssignmentView assignment, byte[] document, int basedOnVersion, long accountId) {
        Judgement judgement = judge(assignment, document, true);
        if (!judgement.mayBePublished()) {
            return new KitService.Publishing(Optional.empty(), judgement.faults());
        }
        return kits.publish(assignment, KitReader.read(document).kit().orElseThrow(), basedOnVersion, accountId);
    }

    /** A document as it was sent: any JSON object, since a plan may be saved with its faults. */
    public static Optional<byte[]> object(String sent) {
        try {
            return JsonDocuments.MAPPER.readTree(sent) instanceof ObjectNode object && sent.length() <= KitReader.MAX_BYTES
                    ? Optional.of(JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(object)
                            .getBytes(StandardCharsets.UTF_8))
                    : Optional.empty();
        } catch (JacksonException broken) {
            return Optional.empty();
        }
    }
}
