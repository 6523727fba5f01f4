package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.ReadLimits;
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

    private record Sent(String file, TreeSet<String> classes) {}

    /**
     * Asks for it.
     *
     * @param classes of a bundle, the classes that are wanted; all when empty
     * @return empty when this person waits for as much as one may
     * @throws NotAccessible when the course has no such file
     */
    Optional<Job> ask(long course, long account, String file, Set<String> classes) {
        if (!contents.has(file, Purpose.ROSTER, course)) {
            throw new NotAccessible();
        }
        return jobs.ask(kind(), course, account, JsonDocuments.MAPPER.writeValueAsBytes(new Sent(file, new TreeSet<>(classes))));
    }

    Enrolled answer(Job done) {
        return JsonDocuments.MAPPER.readValue(jobs.answer(done), Enrolled.class);
    }

    @Override
    public String kind() {
        return "roster";
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) {
        Sent sent = JsonDocuments.MAPPER.readValue(asked.work(), Sent.class);
        return errands.runNow(() -> {
            LocalFile file = contents.file(sent.file, Purpose.ROSTER, asked.course(), MOST_BYTES);
            return new Lent<>(new Errand.Enrol(file.path().toString(), sent.classes, limits), List.of(file));
        }, errands.page(), going::isStopped);
    }
}
