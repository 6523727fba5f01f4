package org.opensatchel.web.checks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.report.Report.SealedLine;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.core.scan.Workers;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.handin.CameIn;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handout.StepService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.location.SetLocation;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.Packed;
import org.opensatchel.worker.WorkOrder;
import org.opensatchel.worker.WorkOutcome;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.opensatchel.worker.WorkerPool;
import org.springframework.stereotype.Service;

/** Has one hand-in, or one project where it lies, checked by a worker. It holds nothing in the database while that goes on. */
@Service
public class HandInCheck {

    private final CheckRows rows;
    private final CourseService courses;
    private final KitService kits;
    private final LocationService locations;
    private final StepService steps;
    private final HandInProject projects;
    private final SatchelProperties properties;
    private final WorkerPool workers;
    private final Clock clock;

    HandInCheck(CheckRows rows, CourseService courses, KitService kits, LocationService locations, StepService steps,
            HandInProject projects, SatchelProperties properties, WorkerPool workers, Clock clock) {
        this.rows = rows;
        this.courses = courses;
        this.kits = kits;
        this.locations = locations;
        this.steps = steps;
        this.projects = projects;
        this.properties = properties;
        this.workers = workers;
        this.clock = clock;
    }

    /** Checks it; after a try that wanted too much, on fewer threads. */
    WorkOutcome run(CheckRows.Claimed check, ScanProgress progress) {
        CameIn handIn = check.cameIn();
        try (Lent<Errand.Project> lent = projects.lend(handIn)) {
            WorkOrder order = order(handIn, lent.what());
            return check.tries() == 0 ? workers.run(order, progress) : workers.runWithLess(order, progress);
        } catch (IOException gone) {
            return new WorkOutcome.Failed(Reason.STORE, "the content " + handIn.sha256() + " is not to be had: " + gone.getMessage());
        }
    }

    /** Checks a student's project where it lies on this machine; nothing of it is kept. */
    public WorkOutcome inPlace(AssignmentView assignment, Student student, Path folder, ScanProgress progress) {
        PublishedKit kit = kits.current(assignment).orElseThrow(NotAccessible::new);
        return workers.run(order(assignment, student, kit.kit(),
                new Errand.Project(folder.toString(), "", WorkOrder.Form.PLACE, properties.limits().read()), List.of()), progress);
    }

    private WorkOrder order(CameIn handIn, Errand.Project project) {
        AssignmentView assignment = courses.forJob(handIn.assignment());
        return order(assignment, courses.student(assignment, handIn.enrolment()), kits.version(handIn.kitVersion()).kit(),
                project, earlier(handIn.id()));
    }

    private WorkOrder order(AssignmentView assignment, Student student, Kit kit, Errand.Project project, List<SealedLine> earlier) {
        List<WorkOrder.Location> places = locations.current(assignment, student.enrolmentId()).stream()
                .map(SetLocation::location).map(place -> new WorkOrder.Location(place.system(), place.storage(), place.path())).toList();
        List<Student> roster = courses.roster(assignment);
        return new WorkOrder(project.archive(), project.contents(), project.form(), document(kit),
                kits.current(assignment).map(PublishedKit::kit).map(HandInCheck::document), student.fields(assignment).values(),
                roster.stream().map(other -> other.fields(assignment).values()).toList(), places,
                team(assignment, student, roster), earlier, steps.confirmed(assignment, student.enrolmentId()), machines(kit),
                project.limits(), Workers.most(), clock.instant().truncatedTo(ChronoUnit.SECONDS));
    }

    /** Where the others of the student's team say that the project lies. */
    private List<TeamLocation> team(AssignmentView assignment, Student student, List<Student> roster) {
        if (student.team().isEmpty()) {
            return List.of();
        }
        List<Student> others = roster.stream()
                .filter(other -> other.enrolmentId() != student.enrolmentId() && other.team().equals(student.team())).toList();
        Map<Long, SetLocation> set = locations.current(assignment, others.stream().map(Student::enrolmentId).toList());
        return others.stream().filter(other -> set.containsKey(other.enrolmentId()))
                .map(other -> new TeamLocation(other.name(), set.get(other.enrolmentId()).location().path())).toList();
    }

    /** What the last hand-in that could be read had in sealed folders. */
    private List<SealedLine> earlier(long handIn) {
        return rows.digestsBefore(handIn).stream().map(Packed::unpack).map(ReportJson::readDigest)
                .flatMap(digest -> digest.head().sealed().stream()).findFirst().orElse(List.of());
    }

    private static String document(Kit kit) {
        return new String(KitWriter.write(kit), StandardCharsets.UTF_8);
    }

    /** The kit's machines, and the one it will be graded on. */
    private static List<String> machines(Kit kit) {
        return Stream.concat(kit.machines().stream(), Stream.of("instructor")).distinct().filter(name -> Machine.shipped(name).isPresent())
                .toList();
    }
}
