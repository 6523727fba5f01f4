package org.opensatchel.web.intake;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.drive.PluggedIn;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Delivered;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Many people's work as workers see it: looked at once, as a job, and then taken one by one. */
@Component
class Batches implements JobWork {

    /** Archives of the batch are looked into for their markers up to so many bytes in all, so that nobody waits for minutes. */
    private static final long MOST_LOOKED_INTO = 256L << 20;
    private static final int MOST_DELIVERIES = 5_000;

    private final IntakeRows intakes;
    private final CourseService courses;
    private final Contents contents;
    private final PluggedIn drives;
    private final JobService jobs;
    private final Errands errands;
    private final ReadLimits limits;
    private final TransactionTemplate transaction;

    Batches(IntakeRows intakes, CourseService courses, Contents contents, PluggedIn drives, JobService jobs, Errands errands,
            SatchelProperties properties, PlatformTransactionManager transactions) {
        this.intakes = intakes;
        this.courses = courses;
        this.contents = contents;
        this.drives = drives;
        this.jobs = jobs;
        this.errands = errands;
        this.limits = properties.limits().read();
        this.transaction = new TransactionTemplate(transactions);
    }

    private record Looked(long intake) {}

    /** Asks what is in it; empty when this person waits for as much as one may. */
    Optional<Job> ask(AssignmentView assignment, IntakeView intake, long account) {
        return jobs.ask(kind(), assignment.courseId(), account, JsonDocuments.MAPPER.writeValueAsBytes(new Looked(intake.id())));
    }

    Delivered.All answer(Job done) {
        return JsonDocuments.MAPPER.readValue(jobs.answer(done), Delivered.All.class);
    }

    @Override
    public String kind() {
        return "intake";
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) {
        long id = JsonDocuments.MAPPER.readValue(asked.work(), Looked.class).intake;
        IntakeView intake = transaction.execute(status -> intakes.find(id)).orElseThrow();
        AssignmentView assignment = courses.forJob(intake.assignment());
        try {
            return errands.runNow(() -> lots(assignment, intake).as(lots -> new Errand.Look(lots, MOST_DELIVERIES, MOST_LOOKED_INTO)),
                    errands.lesson(), going::isStopped);
        } catch (Errands.NoAnswer none) {
            if (none.isGone()) {
                // What cannot be opened at all is told on the page.
                return JsonDocuments.MAPPER.writeValueAsBytes(new Delivered.All(false, List.of(), 0));
            }
            throw none;
        }
    }

    /**
     * Writes one of them as an archive.
     *
     * @return what its archive is called, or why there is none
     * @throws Errands.NoAnswer when a worker could not do it
     */
    Delivered.Single take(AssignmentView assignment, IntakeView intake, ItemView item, Path to, long mostBytes) {
        return JsonDocuments.MAPPER.readValue(errands.run(
                () -> lots(assignment, intake).as(lots -> new Errand.Take(lots, item.ordinal(), item.name(), to.toString(), mostBytes)),
                errands.copy(), () -> false), Delivered.Single.class);
    }

    /** What a fault is called where it is kept. */
    static String word(Delivered.Fault fault) {
        return fault.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private Lent<List<Errand.Lot>> lots(AssignmentView assignment, IntakeView intake) throws IOException {
        if (intake.isOfDrives()) {
            return new Lent<>(
                    drives.projects(assignment).stream().map(project -> lot(project.folder(), Optional.of(project.name()))).toList(),
                    List.of());
        }
        if (intake.folder().isPresent()) {
            return new Lent<>(List.of(lot(Path.of(intake.folder().get()), Optional.empty())), List.of());
        }
        LocalFile file = contents.local(intake.sha256().orElseThrow());
        return new Lent<>(List.of(new Errand.Lot(project(file.path(), WorkOrder.Form.ZIP), Optional.empty())), List.of(file));
    }

    private Errand.Lot lot(Path folder, Optional<String> alone) {
        return new Errand.Lot(project(folder, WorkOrder.Form.PLACE), alone);
    }

    private Errand.Project project(Path at, WorkOrder.Form form) {
        return new Errand.Project(at.toString(), "", form, limits);
    }
}
