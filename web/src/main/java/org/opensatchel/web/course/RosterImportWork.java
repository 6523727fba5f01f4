package org.opensatchel.web.course;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.springframework.stereotype.Component;

/** Imports that were decided on: jobs, since a roster may have very many rows. */
@Component
class RosterImportWork implements JobWork {

    private final RosterFiles files;
    private final RosterImports imports;
    private final JobService jobs;

    RosterImportWork(RosterFiles files, RosterImports imports, JobService jobs) {
        this.files = files;
        this.imports = imports;
        this.jobs = jobs;
    }

    private record Ordered(String file, TreeSet<String> classes, RosterChoice choice, RosterImports.Decided decided) {}

    /** Asks for an import; empty when this person waits for as much as one may. */
    Optional<Job> ask(long course, long account, String file, Set<String> classes, RosterChoice choice, RosterImports.Decided decided) {
        return jobs.ask(kind(), course, account,
                JsonDocuments.MAPPER.writeValueAsBytes(new Ordered(file, new TreeSet<>(classes), choice, decided)));
    }

    Optional<Job> find(long course, long id) {
        return jobs.find(kind(), course, id);
    }

    RosterImportRows.Made answer(Job done) {
        return JsonDocuments.MAPPER.readValue(jobs.answer(done), RosterImportRows.Made.class);
    }

    @Override
    public String kind() {
        return "roster-import";
    }

    @Override
    public Lane lane() {
        return Lane.CLASSES;
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) throws Failed {
        Ordered ordered = JsonDocuments.MAPPER.readValue(asked.work(), Ordered.class);
        RosterReading reading = files.read(asked.course(), ordered.file, ordered.classes, ordered.choice, going::isStopped).reading();
        if (!reading.isGood()) {
            throw new Failed(Job.Trouble.GONE);
        }
        return JsonDocuments.MAPPER
                .writeValueAsBytes(imports.apply(asked.course(), asked.account(), reading, ordered.choice, ordered.decided));
    }
}
