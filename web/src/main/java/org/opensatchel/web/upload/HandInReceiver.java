package org.opensatchel.web.upload;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.web.checks.CheckService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInKind;
import org.opensatchel.web.handin.NewHandIns;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.judging.Judged;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes in what students send, as hand-ins and pre-checks, and has it checked. Whoever asks has been let in before. */
@Service
public class HandInReceiver {

    private final NewHandIns handIns;
    private final KitService kits;
    private final HandoutService handouts;
    private final Contents contents;
    private final CheckService checks;
    private final Clock clock;
    private final TransactionTemplate transaction;

    HandInReceiver(NewHandIns handIns, KitService kits, HandoutService handouts, Contents contents, CheckService checks,
            Clock clock, PlatformTransactionManager transactions) {
        this.handIns = handIns;
        this.kits = kits;
        this.handouts = handouts;
        this.contents = contents;
        this.checks = checks;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Takes in an archive that was stored, and has it checked. */
    public long take(Membership place, String fileName, Stored stored) {
        return take(place, fileName, stored, clock.instant());
    }

    /** The check that a student makes before handing in: of an archive, or of a packet of a list with documents. */
    public long preCheck(Membership place, String name, Stored stored, WorkOrder.Form form) {
        return take(new Sent(HandInKind.PRE_CHECK, form, name, stored, stored.bytes(), clock.instant()), place);
    }

    /** The list of a folder with its documents, handed in instead of the whole project. */
    public long takeListing(Membership place, String name, Stored stored) {
        return take(new Sent(HandInKind.HAND_IN, WorkOrder.Form.LISTING, name, stored, stored.bytes(), clock.instant()), place);
    }

    /**
     * What came in parts, all of which is here, looked at and ready to be handed in.
     *
     * @param contents what a folder's files hold, each content once; empty for an archive
     */
    public record Arrived(Sent sent, int weight, List<Wanted> contents) {}

    /**
     * A folder that was sent file by file.
     *
     * @param list the stored list of its files
     * @param bytes how long all its files are
     * @param when when its list came
     */
    public Arrived folder(String name, Stored list, List<Wanted> files, int count, long bytes, Instant when) {
        return new Arrived(new Sent(HandInKind.HAND_IN, WorkOrder.Form.FOLDER, name, list, bytes, when), CheckService.weight(count, bytes),
                files);
    }

    /** An archive that came in parts. */
    public Arrived archive(String name, Stored stored, Instant when) {
        return new Arrived(new Sent(HandInKind.HAND_IN, WorkOrder.Form.ZIP, name, stored, stored.bytes(), when), weight(stored),
                List.of());
    }

    /** Takes in what arrived, as a part of the transaction that it is finished in. */
    @Transactional
    public long take(Membership place, Arrived arrived) {
        long id = take(arrived.sent, place, arrived.weight);
        if (!arrived.contents.isEmpty()) {
            handIns.consists(id, place, arrived.contents);
        }
        return id;
    }

    /** What somebody sent. */
    record Sent(HandInKind kind, WorkOrder.Form form, String name, Stored stored, long bytes, Instant when) {}

    /** For the demo: a hand-in at a time of its own. */
    public long take(Membership place, String fileName, Stored stored, Instant when) {
        return take(new Sent(HandInKind.HAND_IN, WorkOrder.Form.ZIP, fileName, stored, stored.bytes(), when), place);
    }

    private long take(Sent sent, Membership place) {
        // Looked at before the student's hand-ins are numbered, which nobody else can be meanwhile.
        int weight = weight(sent.stored);
        return transaction.execute(status -> take(sent, place, weight));
    }

    private long take(Sent sent, Membership place, int weight) {
        long id = handIns.add(place, new NewHandIns.New(sent.kind, sent.form, sent.name, sent.stored, sent.bytes, sent.when, weight),
                heldVersion(place));
        checks.expect();
        return id;
    }

    /** A cheap first look: small projects are checked before large ones. */
    private int weight(Stored stored) {
        ZipSource.Glance glance = new ZipSource.Glance(0, 0);
        try (LocalFile archive = contents.local(stored.sha256()); ZipSource source = ZipSource.open(archive.path())) {
            glance = source.glance();
        } catch (IOException unreadable) {
            // Whatever it is, the check will tell; it will not take long.
        }
        return CheckService.weight(glance.entries(), Math.max(stored.bytes(), glance.bytes()));
    }

    /** Judged by what the student was given: the version they hold, or the current one when they collected none. */
    private long heldVersion(Membership place) {
        HandoutService.Held held = handouts.held(place).orElse(null);
        return held != null ? held.kitVersionId() : kits.current(place.assignment()).orElseThrow(NotAccessible::new).id();
    }
}
