package org.opensatchel.web.format;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.job.JobWork;
import org.opensatchel.web.report.ThreadMap;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.Packed;
import org.opensatchel.worker.Taught;
import org.opensatchel.worker.Trial;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;

/** What example projects teach, and what a description makes of a project: jobs that a worker carries out, and whose answers stay for a while. */
@Service
class LearningService implements JobWork {

    /** Documents that are learned from on a page, in bytes all together. */
    private static final long MOST_DOCUMENTS = 48L << 20;

    /** The forms in which an example is sent, by what an address calls them. */
    private static final Map<String, WorkOrder.Form> SENT = Map.of("ZIP", WorkOrder.Form.ZIP, "LISTING", WorkOrder.Form.LISTING);

    private final Contents contents;
    private final HandInService handIns;
    private final HandInProject projects;
    private final Errands errands;
    private final JobService jobs;
    private final SatchelProperties properties;

    LearningService(Contents contents, HandInService handIns, HandInProject projects, Errands errands, JobService jobs,
            SatchelProperties properties) {
        this.contents = contents;
        this.handIns = handIns;
        this.projects = projects;
        this.errands = errands;
        this.jobs = jobs;
        this.properties = properties;
    }

    /**
     * A project to learn from or to try on.
     *
     * @param form how it came
     * @param handIn the hand-in it is; 0 for one that was sent for this
     */
    record Source(long course, long account, String file, String form, long handIn) {
        static final String HAND_IN = "HAND_IN";

        boolean isSent() {
            return SENT.containsKey(form) && file.matches("[0-9a-f]{64}") || form.equals(HAND_IN);
        }
    }

    /** What an example taught, or why it taught nothing. */
    record Told(Optional<Learned> learned, Optional<Phrase> nothing) {}

    /**
     * A description tried on a project.
     *
     * @param counts how many links have which outcome
     */
    record Tried(Trial trial, ThreadMap map, Map<String, Integer> counts) {}

    /**
     * Where something stands that was asked for.
     *
     * @param job empty when so much of this person waits that it was not taken
     * @param answer there once it is done
     */
    record Asked<T>(Optional<Job> job, Optional<T> answer) {

        /** Whether it is worth looking again. */
        public boolean isOpen() {
            return answer.isEmpty() && (job.isEmpty() || job.get().isOpen());
        }
    }

    /** What is asked of a job: to learn, or to try a description. */
    private record Order(String file, String form, long handIn, Optional<String> profile) {}

    Asked<Told> learn(Source from) {
        return asked(from, lesson(from, Optional.empty()), LearningService::told);
    }

    Asked<Tried> tried(Source on, Profile profile) {
        return asked(on, lesson(on, Optional.of(profile)), LearningService::tried);
    }

    private static byte[] lesson(Source from, Optional<Profile> profile) {
        return JsonDocuments.MAPPER.writeValueAsBytes(new Order(from.file(), from.form(), from.handIn(),
                profile.map(one -> new String(ProfileWriter.write(one), StandardCharsets.UTF_8))));
    }

    private <T> Asked<T> asked(Source from, byte[] work, Function<byte[], T> read) {
        if (from.handIn() > 0) {
            // Whoever asks has to be let in, whatever others asked before.
            handIns.show(from.handIn(), from.account());
        }
        Optional<Job> job = jobs.ask(kind(), from.course(), from.account(), work);
        return new Asked<>(job, job.filter(Job::isDone).map(jobs::answer).map(read));
    }

    /** Learning from an example is not wanted any more. */
    void cancel(Source from) {
        jobs.cancel(kind(), from.course(), lesson(from, Optional.empty()));
    }

    @Override
    public String kind() {
        return "lesson";
    }

    @Override
    public Lane lane() {
        return Lane.LESSONS;
    }

    @Override
    public byte[] run(JobWork.Asked asked, JobWork.Going going) {
        Order order = JsonDocuments.MAPPER.readValue(asked.work(), Order.class);
        return errands.run(() -> lent(order, asked.course()).as(project -> order.profile.isPresent()
                ? new Errand.Try(project, order.profile.get())
                : new Errand.Learn(project, MOST_DOCUMENTS)), errands.lesson(), going::isStopped);
    }

    private Lent<Errand.Project> lent(Order order, long course) throws IOException {
        if (order.handIn > 0) {
            return projects.lend(order.handIn);
        }
        LocalFile stored = contents.file(order.file, Purpose.EXAMPLE, course, Long.MAX_VALUE);
        return new Lent<>(new Errand.Project(stored.path().toString(), "", SENT.get(order.form), properties.limits().read()),
                List.of(stored));
    }

    private static Told told(byte[] answer) {
        Taught taught = JsonDocuments.MAPPER.readValue(answer, Taught.class);
        Optional<Profile> profile = taught.profile().flatMap(text -> ProfileReader.read(text.getBytes(StandardCharsets.UTF_8)).profile());
        return new Told(
                profile.map(one -> new Learned(one.kinds(), taught.samples(), taught.locations(), taught.documents(), List.of())),
                taught.nothing().flatMap(Facts::phrase));
    }

    private static Tried tried(byte[] answer) {
        Trial trial = JsonDocuments.MAPPER.readValue(answer, Trial.class);
        Map<String, Integer> counts = new TreeMap<>();
        trial.documents().values().forEach(each -> each.forEach((outcome, count) -> counts.merge(outcome, count, Integer::sum)));
        return new Tried(trial, ThreadMap.of(ReportJson.readDigest(Packed.unpack(trial.digest())), Set.of()), counts);
    }
}
