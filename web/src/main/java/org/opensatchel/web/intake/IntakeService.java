package org.opensatchel.web.intake;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.roster.Delivery;
import org.opensatchel.core.roster.NameScheme;
import org.opensatchel.core.roster.WhoIsWho;
import org.opensatchel.web.audit.AuditAction;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Detail;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.drive.PluggedIn;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.worker.Delivered;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes in what comes other ways than through the student's own page: many people's work in one archive, or in a folder of the server. It is
 * looked at first, assigned, and then taken in by an {@link IntakeRunner}.
 */
@Service
public class IntakeService {

    private final IntakeRows intakes;
    private final CourseService courses;
    private final Contents contents;
    private final AuditService audit;
    private final PluggedIn drives;
    private final Batches batches;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final List<Path> folders;
    private final IntakeRunner lane;

    IntakeService(IntakeRows intakes, CourseService courses, Contents contents, AuditService audit, PluggedIn drives, IntakeRunner lane,
            Batches batches, Clock clock, PlatformTransactionManager transactions,
            @Value("${satchel.intake-folders:}") List<String> folders) {
        this.intakes = intakes;
        this.courses = courses;
        this.contents = contents;
        this.lane = lane;
        this.audit = audit;
        this.drives = drives;
        this.batches = batches;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
        this.folders = folders.stream().map(String::strip).filter(path -> !path.isEmpty()).map(Path::of).toList();
    }

    /** A delivery with whose it seems to be. */
    record Line(int ordinal, Delivered delivery, WhoIsWho.Guess guess) {}

    /** What was found in a batch; readable tells whether it could be opened at all. */
    record Look(boolean readable, List<Line> lines, int more) {

        /** The same with what somebody has to look at first: what is nobody's, then what contradicts itself. */
        Look openFirst() {
            return new Look(readable, lines.stream().sorted(Comparator.comparing((Line line) -> line.guess.who().isPresent())
                    .thenComparing(line -> line.guess.marker().isEmpty())).toList(), more);
        }
    }

    /** A project on a drive, and whose it seems to be. */
    record OnDrive(PluggedIn.Project project, Optional<Long> who) {}

    /** The folders of this server that work may be taken in from, as its owner set them. */
    List<Path> folders() {
        return folders.stream().filter(Files::isDirectory).toList();
    }

    long begin(AssignmentView assignment, String name, Stored stored, long by) {
        return transaction.execute(status -> {
            contents.own(stored, Purpose.INTAKE, assignment.courseId(), by);
            return intakes.make(assignment.id(), Delivery.kept(name), stored.sha256(), null, by, clock.instant());
        });
    }

    /** Begins with what is on the drives that are plugged in. */
    long beginDrives(AssignmentView assignment, String name, long by) {
        return transaction.execute(
                status -> intakes.make(assignment.id(), Delivery.kept(name), null, IntakeView.DRIVES, by, clock.instant()));
    }

    /** @throws NotAccessible for a folder that is not one of those that may be looked into */
    long begin(AssignmentView assignment, int folder, long by) {
        List<Path> known = folders();
        if (folder < 0 || folder >= known.size()) {
            throw new NotAccessible();
        }
        Path path = known.get(folder);
        return transaction.execute(
                status -> intakes.make(assignment.id(), Delivery.kept(path.getFileName().toString()), null, path.toString(), by,
                        clock.instant()));
    }

    IntakeView find(AssignmentView assignment, long id) {
        return transaction.execute(status -> intakes.find(id)).filter(one -> one.assignment() == assignment.id())
                .orElseThrow(NotAccessible::new);
    }

    List<IntakeView> of(AssignmentView assignment) {
        return transaction.execute(status -> intakes.of(assignment.id()));
    }

    List<ItemView> items(IntakeView intake) {
        return transaction.execute(status -> intakes.items(intake.id()));
    }

    /** Asks what is in a batch; empty when this person waits for as much as one may. */
    Optional<Job> ask(AssignmentView assignment, IntakeView intake, long account) {
        return batches.ask(assignment, intake, account);
    }

    /**
     * What was found in a batch, each with whose it seems to be.
     *
     * @param scheme how names look, as it was typed; empty for no certain way
     */
    Look look(AssignmentView assignment, IntakeView intake, Job done, String scheme) {
        transaction.executeWithoutResult(status -> intakes.scheme(intake.id(), scheme));
        WhoIsWho who = new WhoIsWho(people(assignment), NameScheme.read(scheme));
        Delivered.All all = batches.answer(done);
        List<Line> lines = new ArrayList<>();
        for (Delivered one : all.some()) {
            lines.add(new Line(lines.size(), one, who.guess(one.bareName(), one.fields())));
        }
        return new Look(all.readable(), lines, all.more());
    }

    private List<WhoIsWho.Person> people(AssignmentView assignment) {
        return courses.roster(assignment).stream()
                .map(student -> new WhoIsWho.Person(student.enrolmentId(), named(student, assignment))).toList();
    }

    /** The projects on the drives that are plugged in, each with whose it seems to be. */
    List<OnDrive> onDrives(AssignmentView assignment) {
        WhoIsWho who = new WhoIsWho(people(assignment), Optional.empty());
        return drives.projects(assignment).stream()
                .map(project -> new OnDrive(project, who.guess(project.root(), project.marker()).who())).toList();
    }

    /** As the roster has it, not as file names do. */
    private static RosterFields named(Student student, AssignmentView assignment) {
        return new Student(student.enrolmentId(), student.accountId(), student.last(), student.first(), student.number(), student.section(),
                "", "", false,
                student.team()).fields(assignment);
    }

    /** Begins to take in what was assigned, by its place in the batch; false when it was begun already. */
    boolean take(AssignmentView assignment, IntakeView intake, Job looked, Map<Integer, Long> assigned) {
        Map<Long, Student> roster = courses.roster(assignment).stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity()));
        List<Delivered> some = batches.answer(looked).some();
        boolean begun = Boolean.TRUE.equals(transaction.execute(status -> {
            if (!intakes.move(intake.id(), IntakeView.State.LOOKED, IntakeView.State.RUNNING)) {
                return false;
            }
            for (int i = 0; i < some.size(); i++) {
                long whose = assigned.getOrDefault(i, 0L);
                if (roster.containsKey(whose)) {
                    intakes.add(intake.id(), i, Delivery.kept(some.get(i).name()), whose);
                }
            }
            return true;
        }));
        if (begun) {
            lane.wake();
        }
        return begun;
    }

    /** Lets an intake end after the one that is being taken in. */
    boolean cancel(IntakeView intake) {
        return Boolean.TRUE
                .equals(transaction.execute(status -> intakes.move(intake.id(), IntakeView.State.RUNNING, IntakeView.State.CANCELLED)));
    }

    /** Takes a whole intake back: its hand-ins go, and what counted before counts again. How many stay, because they are being checked. */
    int undo(AssignmentView assignment, IntakeView intake, long by) {
        if (!intake.mayBeUndone()) {
            return 0;
        }
        int stay = transaction.execute(status -> {
            int left = intakes.removeHandIns(intake.id());
            if (left == 0) {
                intakes.move(intake.id(), intake.state(), IntakeView.State.UNDONE);
            }
            return left;
        });
        audit.log(by, new AuditService.About(assignment.id(), 0, 0), AuditAction.TOOK_BACK, Detail.text(intake.name()));
        return stay;
    }
}
