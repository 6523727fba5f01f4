package org.opensatchel.web.report;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.report.Since;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.handin.CameIn;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.worker.Compared;
import org.opensatchel.worker.Errand;
import org.springframework.stereotype.Component;

/** What became of a project from one time it was sent to another: a job that a worker carries out. */
@Component
class Comparing implements JobWork {

    /** Of each kind so many are shown. */
    static final int MOST = 200;

    private final HandInService service;
    private final HandInProject projects;
    private final KitService kits;
    private final JobService jobs;
    private final Errands errands;

    Comparing(HandInService service, HandInProject projects, KitService kits, JobService jobs, Errands errands) {
        this.service = service;
        this.projects = projects;
        this.kits = kits;
        this.jobs = jobs;
        this.errands = errands;
    }

    /** @param since what became of the findings */
    record Comparison(Compared compared, Since since) {}

    /** What is compared: two hand-ins, each as it was checked at last. */
    private record Pair(long before, String beforeCheck, long now, String nowCheck, Map<RosterField, String> fields) {}

    private byte[] work(Shown before, Shown now) {
        return JsonDocuments.MAPPER.writeValueAsBytes(new Pair(before.handIn().id(), check(before), now.handIn().id(), check(now),
                now.place().student().fields(now.place().assignment()).values()));
    }

    private String check(Shown shown) {
        return service.checkedAt(shown).map(Instant::toString).orElse("");
    }

    /** Asks for it; empty when this person waits for as much as one may. */
    Optional<Job> ask(Shown before, Shown now, long account) {
        return jobs.ask(kind(), now.place().assignment().courseId(), account, work(before, now));
    }

    /** What came of it. */
    Comparison answer(Job done, Shown before, Shown now) {
        return new Comparison(JsonDocuments.MAPPER.readValue(jobs.answer(done), Compared.class),
                Since.between(service.digest(before).head().findings(), service.digest(now).head().findings()));
    }

    @Override
    public String kind() {
        return "compare";
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) {
        Pair pair = JsonDocuments.MAPPER.readValue(asked.work(), Pair.class);
        return errands.runNow(
                () -> side(pair.before, pair).with(() -> side(pair.now, pair), (before, now) -> new Errand.Compare(before, now, MOST)),
                errands.page(), going::isStopped);
    }

    private Lent<Errand.Side> side(long id, Pair pair) throws IOException {
        CameIn row = projects.cameIn(id);
        String kit = new String(KitWriter.write(kits.version(row.kitVersion()).kit()), StandardCharsets.UTF_8);
        // Lists are compared, which needs no content of a folder.
        return projects.lend(id, List.of()).with(() -> projects.lendReport(id),
                (project, report) -> new Errand.Side(project, kit, pair.fields, report));
    }
}
