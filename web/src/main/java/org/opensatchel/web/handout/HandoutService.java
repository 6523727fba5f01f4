package org.opensatchel.web.handout;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout;
import org.opensatchel.core.pack.KitUpdate;
import org.opensatchel.core.pack.ZipWriter;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Kits on their way to students: made personal, streamed, and remembered as collected. */
@Service
public class HandoutService {

    private final CollectedKitRepository collections;
    private final DriveLoadRepository loads;
    private final HeldRows rows;
    private final Contents contents;
    private final Clock clock;

    HandoutService(CollectedKitRepository collections, DriveLoadRepository loads, HeldRows rows, Contents contents, Clock clock) {
        this.collections = collections;
        this.loads = loads;
        this.rows = rows;
        this.contents = contents;
        this.clock = clock;
    }

    /**
     * The version a student holds.
     *
     * @param drive on which it went out; empty for none
     * @param handedOut whether it was given to the student, and not collected by them
     */
    public record Held(long kitVersionId, int version, Instant since, String drive, boolean handedOut) {
        public boolean isOnDrive() {
            return !drive.isEmpty();
        }
    }

    /** What each student of an assignment holds, by enrolment. */
    @Transactional(readOnly = true)
    public Map<Long, Held> held(AssignmentView assignment) {
        return rows.of(assignment.id());
    }

    /** What one student holds. */
    @Transactional(readOnly = true)
    public Optional<Held> held(CourseService.Membership place) {
        return rows.of(place.assignment().id(), place.student().enrolmentId());
    }

    /** The name of a student's root, or empty when the roster lacks something it needs. */
    public Optional<String> rootName(PublishedKit kit, AssignmentView assignment, Student student) {
        return refusal(kit, assignment, student).isPresent() ? Optional.empty()
                : kit.kit().root().make(student.fields(assignment), kit.kit().ascii());
    }

    /** Why no kit can be made for a student; empty when it can. */
    public Optional<Phrase> refusal(PublishedKit kit, AssignmentView assignment, Student student) {
        return Handout.refusal(kit.kit(), student.fields(assignment));
    }

    @Transactional
    public void collected(PublishedKit kit, Student student) {
        collections.save(new CollectedKit(kit.id(), student.enrolmentId(), clock.instant(), false));
    }

    /** Remembers a kit that an instructor fetched for a student, to give it to them. */
    @Transactional
    public void handedOut(PublishedKit kit, Student student) {
        collections.save(new CollectedKit(kit.id(), student.enrolmentId(), clock.instant(), true));
    }

    /** Remembers the kits that an instructor fetched all at once, to give them out: of who could have one and has it not yet. */
    @Transactional
    public void allHandedOut(PublishedKit kit, AssignmentView assignment, List<Student> students) {
        Map<Long, Held> held = held(assignment);
        students.stream().filter(student -> refusal(kit, assignment, student).isEmpty())
                .filter(student -> Optional.ofNullable(held.get(student.enrolmentId())).filter(one -> one.kitVersionId() == kit.id())
                        .isEmpty())
                .forEach(student -> handedOut(kit, student));
    }

    /** Remembers a kit that is on a drive, whole and read back. */
    @Transactional
    public void loaded(PublishedKit kit, Student student, String drive) {
        loads.save(new DriveLoad(kit.id(), student.enrolmentId(), drive, clock.instant()));
    }

    /** For the demo: a collection at a time of its own. */
    @Transactional
    public void collected(PublishedKit kit, long enrolmentId, Instant when) {
        collections.save(new CollectedKit(kit.id(), enrolmentId, when, false));
    }

    /** Writes one student's kit. */
    public void write(PublishedKit kit, AssignmentView assignment, Student student, OutputStream out) throws IOException {
        write(kit, assignment, student.fields(assignment), out);
    }

    private void write(PublishedKit kit, AssignmentView assignment, RosterFields fields, OutputStream out) throws IOException {
        Handout handout = Handout.of(kit.kit(), kit.sha256(), fields, Speech.words()).orElseThrow(NotAccessible::new);
        handout.write(out, contents.starters(assignment.courseId()));
    }

    /** What a student who holds an earlier version needs for the current one. */
    public KitUpdate update(PublishedKit held, PublishedKit current) {
        return KitUpdate.between(held.kit(), current.kit());
    }

    /** Writes only what changed since the version a student holds. */
    public void writeChanged(PublishedKit held, PublishedKit current, AssignmentView assignment, Student student, OutputStream out)
            throws IOException {
        Handout handout = Handout.of(current.kit(), current.sha256(), student.fields(assignment), Speech.words())
                .orElseThrow(NotAccessible::new);
        handout.writeChanged(out, contents.starters(assignment.courseId()), update(held, current));
    }

    /**
     * Writes the kits of students as one ZIP with a ZIP for each. A team whose members' roots have one name gets one kit
     * for all of them. Who cannot have one is named in a note inside.
     */
    public void writeAll(PublishedKit kit, AssignmentView assignment, List<Student> students, OutputStream out) throws IOException {
        try (ZipWriter zip = new ZipWriter(out, false)) {
            StringBuilder notMade = new StringBuilder();
            Map<String, Student> written = new HashMap<>();
            for (Student student : students) {
                Optional<String> name = rootName(kit, assignment, student);
                if (name.isEmpty()) {
                    notMade.append(student.listed()).append(": ").append(refusal(kit, assignment, student).map(Speech::text).orElse(""))
                            .append("\r\n");
                    continue;
                }
                Student before = written.putIfAbsent(name.get(), student);
                boolean sharedWithTeam = before != null && !student.team().isEmpty() && student.team().equals(before.team());
                if (!sharedWithTeam) {
                    // Two people of one name get a kit each; their student numbers keep the files apart.
                    String number = FileNameForm.of(student.number(), false);
                    String apart = before == null ? "" : " " + (number.isEmpty() ? student.enrolmentId() : number);
                    zip.file(name.get() + apart + ".zip", inner -> write(kit, assignment, shared(kit, assignment, student), inner));
                }
            }
            if (!notMade.isEmpty()) {
                zip.file("NOT-MADE.txt", notMade.toString().getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    /** What a kit for whoever of the team takes it is made from: of the team alone where the root's name says nothing of a member. */
    private static RosterFields shared(PublishedKit kit, AssignmentView assignment, Student student) {
        RosterFields own = student.fields(assignment);
        if (student.team().isEmpty()) {
            return own;
        }
        RosterFields team = student.teamFields(assignment);
        return kit.kit().root().make(team, kit.kit().ascii()).equals(kit.kit().root().make(own, kit.kit().ascii())) ? team : own;
    }
}
