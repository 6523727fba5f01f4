package org.opensatchel.web.format;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Semaphore;
import org.opensatchel.core.fact.Phrase;
import org.opensatchel.core.link.learn.Example;
import org.opensatchel.core.link.learn.Learned;
import org.opensatchel.core.link.learn.Learner;
import org.opensatchel.core.link.profile.Profile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.teach.Examples;
import org.opensatchel.core.teach.Lesson;
import org.opensatchel.core.teach.ProfileTrial;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.ThreadMap;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Service;

/** What example projects teach, and what a description makes of a project. One is read at a time: what that holds is a project's documents. */
@Service
class Lessons {

    private static final int REMEMBERED = 30;
    /** Documents that are learned from on a page, in bytes all together. */
    private static final long MOST_DOCUMENTS = 48L << 20;

    /** The forms in which an example is sent, by what an address calls them. */
    private static final Map<String, WorkOrder.Form> SENT = Map.of("ZIP", WorkOrder.Form.ZIP, "LISTING", WorkOrder.Form.LISTING);

    private final Contents contents;
    private final HandInService handIns;
    private final HandInProject projects;
    private final ReadLimits limits;
    private final Semaphore one = new Semaphore(1);
    private final Cache<Source, Taught> taught = Caffeine.newBuilder().maximumSize(REMEMBERED).expireAfterWrite(Duration.ofHours(1))
            .build();

    Lessons(Contents contents, HandInService handIns, HandInProject projects, SatchelProperties properties) {
        this.contents = contents;
        this.handIns = handIns;
        this.projects = projects;
        this.limits = properties.limits().read();
    }

    /**
     * A project to learn from or to try on.
     *
     * @param form how it came
     * @param handIn the hand-in it is; 0 for one that was sent for this
     */
    record Source(long course, long account, String file, String form, long handIn) {
        static final String HAND_IN = "HAND_IN";
    }

    /** What an example taught, or why it taught nothing. */
    record Taught(Optional<Learned> learned, Map<String, List<String>> samples, Optional<Phrase> nothing) {}

    /**
     * A description tried on a project.
     *
     * @param counts how many links have which outcome
     */
    record Tried(ProfileTrial trial, ThreadMap map, Map<String, Integer> counts) {}

    private interface Use<T> {
        T of(ProjectSource source) throws IOException;
    }

    /** @throws java.nio.file.NoSuchFileException when the project was let go of meanwhile */
    Taught learn(Source from) throws IOException {
        Taught known = taught.getIfPresent(from);
        if (known == null) {
            known = with(from, this::learn);
            taught.put(from, known);
        }
        return known;
    }

    private Taught learn(ProjectSource source) throws IOException {
        Examples.Reading reading = Examples.open(source, limits, MOST_DOCUMENTS, Optional.empty(), Optional.empty());
        if (reading.example().isEmpty()) {
            return new Taught(Optional.empty(), Map.of(), reading.refusal());
        }
        List<Example> examples = List.of(reading.example().get());
        Learned learned = new Learner(examples).learn();
        return new Taught(Optional.of(learned), learned.samples(), Lesson.of(examples, learned));
    }

    Tried tried(Source on, Profile profile) throws IOException {
        return with(on, source -> {
            ProfileTrial trial = ProfileTrial.of(source, true, profile, limits);
            Map<String, Integer> counts = new TreeMap<>();
            trial.documents().values().forEach(each -> each.forEach((outcome, count) -> counts.merge(outcome, count, Integer::sum)));
            return new Tried(trial, ThreadMap.of(ReportDigest.of(trial.report()), Set.of()), counts);
        });
    }

    private <T> T with(Source from, Use<T> use) throws IOException {
        one.acquireUninterruptibly();
        try {
            if (from.form().equals(Source.HAND_IN)) {
                try (HandInProject.Opened opened = projects.open(handIns.show(from.handIn(), from.account()))) {
                    return use.of(opened.source());
                }
            }
            try (LocalFile stored = contents.file(from.file(), Purpose.EXAMPLE, from.course(), Long.MAX_VALUE);
                    ProjectSource source = sent(from.form()).open(stored.path(), hash -> {
                        throw new IOException("a packet holds its documents itself");
                    })) {
                return use.of(source);
            }
        } finally {
            one.release();
        }
    }

    private static WorkOrder.Form sent(String form) {
        return Optional.ofNullable(SENT.get(form)).orElseThrow(() -> new IllegalArgumentException("no example is sent as " + form));
    }
}
