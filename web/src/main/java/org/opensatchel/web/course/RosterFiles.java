package org.opensatchel.web.course;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Enrolled;
import org.opensatchel.worker.Errand;
import org.springframework.stereotype.Component;

/** Roster files that were sent, read: jobs that a worker carries out. */
@Component
class RosterFiles implements JobWork {

    static final long MOST_BYTES = 64L << 20;
    private static final long MOST_TYPED = 1L << 20;

    private final Contents contents;
    private final JobService jobs;
    private final Errands errands;
    private final ReadLimits limits;

    RosterFiles(Contents contents, JobService jobs, Errands errands, SatchelProperties properties) {
        this.contents = contents;
        this.jobs = jobs;
        this.errands = errands;
        this.limits = properties.limits().read();
    }

    private record Sent(String file, TreeSet<String> classes, RosterChoice choice) {}

    /**
     * Asks for it.
     *
     * @param classes of a bundle, the classes that are wanted; all when empty
     * @param choice of a table, what was said of its columns
     * @return empty when this person waits for as much as one may
     * @throws NotAccessible when the course has no such file
     */
    Optional<Job> ask(long course, long account, String file, Set<String> classes, RosterChoice choice) {
        if (!contents.has(file, Purpose.ROSTER, course)) {
            throw new NotAccessible();
        }
        return jobs.ask(kind(), course, account, JsonDocuments.MAPPER.writeValueAsBytes(new Sent(file, new TreeSet<>(classes), choice)));
    }

    Enrolled answer(Job done) {
        return JsonDocuments.MAPPER.readValue(jobs.answer(done), Enrolled.class);
    }

    /** A pasted table as it was pasted; empty for what is too long for a form. */
    String text(long course, String sha256) {
        try (LocalFile file = contents.file(sha256, Purpose.ROSTER, course, MOST_BYTES)) {
            return Files.size(file.path()) > MOST_TYPED ? "" : Files.readString(file.path());
        } catch (IOException unreadable) {
            return "";
        }
    }

    @Override
    public String kind() {
        return "roster";
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) {
        Sent sent = JsonDocuments.MAPPER.readValue(asked.work(), Sent.class);
        return answered(asked.course(), sent.file, sent.classes, sent.choice, going::isStopped);
    }

    /** A file that was sent, read by a worker while the job that asks for it waits. */
    Enrolled read(long course, String sha256, Set<String> classes, RosterChoice choice, BooleanSupplier stopped) {
        return JsonDocuments.MAPPER.readValue(answered(course, sha256, classes, choice, stopped), Enrolled.class);
    }

    private byte[] answered(long course, String sha256, Set<String> classes, RosterChoice choice, BooleanSupplier stopped) {
        return errands.runNow(() -> {
            LocalFile file = contents.file(sha256, Purpose.ROSTER, course, MOST_BYTES);
            return new Lent<>(new Errand.Enrol(file.path().toString(), classes, choice, limits), List.of(file));
        }, errands.page(), stopped);
    }
}
