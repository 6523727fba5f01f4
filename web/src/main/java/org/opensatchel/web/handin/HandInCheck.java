package org.opensatchel.web.handin;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.machine.Machine;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotYours;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.location.SetLocation;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.SatchelProperties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs the check of one hand-in, once at a time, and tells how far it has come while it runs. */
@Service
class HandInCheck {

    private static final Logger LOG = LoggerFactory.getLogger(HandInCheck.class);
    private static final long TELL_EVERY_MILLIS = 300;

    private final HandInRepository handIns;
    private final CourseService courses;
    private final KitService kits;
    private final LocationService locations;
    private final ContentStore store;
    private final SatchelProperties properties;
    private final Clock clock;
    private final TransactionTemplate whole;
    private final TransactionTemplate apart;

    HandInCheck(HandInRepository handIns, CourseService courses, KitService kits, LocationService locations, ContentStore store, SatchelProperties properties,
            Clock clock, PlatformTransactionManager transactions) {
        this.handIns = handIns;
        this.courses = courses;
        this.kits = kits;
        this.locations = locations;
        this.store = store;
        this.properties = properties;
        this.clock = clock;
        this.whole = new TransactionTemplate(transactions);
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /** Checks a hand-in unless it is done already; who comes while another is at it waits, in case that one breaks. */
    void run(long handInId) {
        whole.executeWithoutResult(status -> {
            handIns.lock(handInId);
            HandIn handIn = handIns.findById(handInId).orElseThrow(NotYours::new);
            if (handIn.state() == HandIn.State.DONE) {
                return;
            }
            Report report = check(handIn);
            handIn.checked(Summary.of(report), Compressed.pack(ReportJson.bytes(report)), clock.instant());
        });
    }

    void giveUp(long handInId) {
        LOG.error("the check of hand-in {} was given up", handInId);
        apart.executeWithoutResult(status -> handIns.failed(handInId));
    }

    private Report check(HandIn handIn) {
        AssignmentView assignment = courses.forJob(handIn.assignmentId());
        Student student = courses.student(assignment, handIn.enrolmentId());
        List<RosterFields> roster = courses.roster(assignment).stream().map(other -> other.fields(assignment)).toList();
        Optional<SetLocation> location = Optional.ofNullable(locations.current(assignment).get(student.enrolmentId()));
        Kit kit = kits.version(handIn.kitVersionId()).kit();
        CheckRequest request = CheckRequest.of(Optional.of(kit), student.fields(assignment)).amongst(roster).carriedTo(machines(kit))
                .located(location.map(SetLocation::location)).within(properties.limits().read()).at(clock.instant().truncatedTo(ChronoUnit.SECONDS))
                .before(kits.current(assignment).map(PublishedKit::kit)).telling(progress(handIn.id()));
        try (ZipSource source = ZipSource.open(store.file(handIn.sha256()))) {
            return new ProjectCheck(request).run(source);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** The kit's machines, and the one it will be graded on. */
    private static List<Machine> machines(Kit kit) {
        return Stream.concat(kit.machines().stream(), Stream.of("instructor")).distinct().flatMap(name -> Machine.shipped(name).stream()).toList();
    }

    private ScanProgress progress(long handInId) {
        long[] told = {0};
        return (files, bytes) -> {
            long now = System.nanoTime() / 1_000_000;
            if (told[0] == 0 || now - told[0] >= TELL_EVERY_MILLIS) {
                told[0] = now;
                apart.executeWithoutResult(status -> handIns.progress(handInId, files, bytes));
            }
        };
    }
}
