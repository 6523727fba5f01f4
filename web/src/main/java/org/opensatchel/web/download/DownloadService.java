package org.opensatchel.web.download;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.web.audit.AuditAction;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Detail;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hand-ins on their way to whoever grades them: all under the names their roots should have, and ticked off when done. */
@Service
public class DownloadService {

    private final HandoutService handouts;
    private final KitService kits;
    private final AuditService audit;
    private final GradedRows rows;
    private final Clock clock;

    DownloadService(HandoutService handouts, KitService kits, AuditService audit, GradedRows rows, Clock clock) {
        this.handouts = handouts;
        this.kits = kits;
        this.audit = audit;
        this.rows = rows;
        this.clock = clock;
    }

    /** What has to be known to copy hand-ins, each under the name its root should have. */
    Downloads.Wanted wanted(AssignmentView assignment, List<Shown> handIns, String name) {
        Optional<PublishedKit> current = kits.current(assignment);
        Set<String> names = new HashSet<>();
        List<Downloads.Picked> picked = handIns.stream().map(shown -> {
            Student student = shown.place().student();
            return new Downloads.Picked(shown.handIn().id(), student.enrolmentId(), student.fields(assignment).values(),
                    name(assignment, student, current, names), asItCame(shown), student.listed());
        }).toList();
        return new Downloads.Wanted(assignment.id(), current.map(PublishedKit::id).orElse(0L), picked, name,
                Speech.words().locale().toLanguageTag());
    }

    private static String asItCame(Shown shown) {
        String ending = shown.handIn().fileName().replaceFirst("^.*?(\\.[A-Za-z0-9]{1,8})?$", "$1");
        return FileNameForm.of(shown.place().student().last(), true) + (ending.isEmpty() ? ".bin" : ending);
    }

    /** Notes that somebody has them now. */
    void downloaded(AssignmentView assignment, List<Downloads.Picked> picked, long by) {
        picked.forEach(
                one -> audit.log(by, new AuditService.About(assignment.id(), one.enrolment(), one.handIn()), AuditAction.DOWNLOADED,
                        Detail.text(one.root())));
    }

    public void downloaded(Shown shown, long by) {
        audit.log(by, new AuditService.About(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id()),
                AuditAction.DOWNLOADED,
                Detail.text(shown.handIn().fileName()));
    }

    /** The name a student's root should have; two of one name are told apart by their numbers. */
    private String name(AssignmentView assignment, Student student, Optional<PublishedKit> kit, Set<String> taken) {
        String plain = kit.flatMap(one -> handouts.rootName(one, assignment, student))
                .orElseGet(() -> FileNameForm.of(student.last() + "_" + student.first(), false));
        String name = plain.isEmpty() ? "student_" + student.enrolmentId() : plain;
        return taken.add(name) ? name
                : name + "_" + (student.number().isEmpty() ? student.enrolmentId() : FileNameForm.of(student.number(), false));
    }

    /** Which hand-ins of an assignment somebody has downloaded. */
    @Transactional(readOnly = true)
    public Set<Long> downloadedBy(AssignmentView assignment, long account) {
        return rows.downloaded(assignment.id(), account);
    }

    /** Which hand-ins of an assignment are graded. */
    @Transactional(readOnly = true)
    public Set<Long> graded(AssignmentView assignment) {
        return rows.graded(assignment.id());
    }

    /** Ticks a hand-in off, or not. */
    @Transactional
    public void grade(Shown shown, boolean graded, long by) {
        if (graded) {
            rows.grade(shown.handIn().id(), by, clock.instant());
            audit.log(by, new AuditService.About(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id()),
                    AuditAction.GRADED, Detail.NONE);
        } else {
            rows.ungrade(shown.handIn().id());
        }
    }
}
