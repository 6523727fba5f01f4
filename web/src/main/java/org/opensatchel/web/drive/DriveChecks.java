package org.opensatchel.web.drive;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.web.checks.FailureWords;
import org.opensatchel.web.checks.HandInCheck;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.Student;
import org.opensatchel.worker.Packed;
import org.opensatchel.worker.WorkOutcome;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * Checks of projects where they lie, on a drive in the bay: nothing is copied and nothing is handed in by it. What was found is known until
 * the server is started again, as the drive may be another by then.
 */
@Service
public class DriveChecks {

    private static final Logger LOG = LoggerFactory.getLogger(DriveChecks.class);
    private static final int AT_ONCE = 2;
    private static final int MOST_KNOWN = 1_000;

    private final HandInCheck checks;
    private final FailureWords failures;
    private final Clock clock;
    private final Cache<Key, State> states = Caffeine.newBuilder().maximumSize(MOST_KNOWN).build();
    private final ExecutorService workers = Executors.newFixedThreadPool(AT_ONCE,
            BasicThreadFactory.builder().namingPattern("drive-check-%d").daemon(true).build());

    DriveChecks(HandInCheck checks, FailureWords failures, Clock clock) {
        this.checks = checks;
        this.failures = failures;
        this.clock = clock;
    }

    private record Key(long assignment, String project) {}

    /**
     * How far a check is.
     *
     * @param word {@code waiting}, {@code checking}, {@code done} or {@code failed}
     * @param files how many were read so far
     * @param found what was found, once it is done
     * @param failure why it could not be checked, for {@link FailureWords}
     */
    public record State(String word, long files, Optional<ReportDigest> found, Instant when, Optional<Reason> failure) {
        public boolean isBusy() {
            return word.equals("waiting") || word.equals("checking");
        }
    }

    public Optional<State> state(AssignmentView assignment, PluggedIn.Project project) {
        return Optional.ofNullable(states.getIfPresent(new Key(assignment.id(), project.name())));
    }

    /** Why a check failed, in words. */
    public String trouble(State state) {
        return failures.sentence(state.failure().map(Reason::name).orElse(null));
    }

    /** Begins to check a project as a student's, unless that is going on. */
    public void begin(AssignmentView assignment, PluggedIn.Project project, Student student) {
        Key key = new Key(assignment.id(), project.name());
        State waiting = state("waiting", 0);
        State now = states.asMap().compute(key, (same, before) -> before != null && before.isBusy() ? before : waiting);
        if (now == waiting) {
            workers.execute(() -> check(key, assignment, project, student));
        }
    }

    private State state(String word, long files) {
        return new State(word, files, Optional.empty(), clock.instant(), Optional.empty());
    }

    private void check(Key key, AssignmentView assignment, PluggedIn.Project project, Student student) {
        Optional<ReportDigest> found = Optional.empty();
        Reason failure = Reason.BROKE;
        try {
            WorkOutcome outcome = checks.inPlace(assignment, student, project.folder(),
                    (files, bytes) -> states.put(key, state("checking", files)));
            if (outcome instanceof WorkOutcome.Done done) {
                found = Optional.of(ReportJson.readDigest(Packed.unpack(done.result().digest())));
            } else if (outcome instanceof WorkOutcome.Failed failed) {
                failure = failed.reason();
            }
        } catch (RuntimeException broke) {
            LOG.error("{} could not be checked where it lies", project.name(), broke);
        }
        states.put(key, new State(found.isPresent() ? "done" : "failed", 0, found, clock.instant(),
                found.isPresent() ? Optional.empty() : Optional.of(failure)));
    }

    @PreDestroy
    void stop() {
        workers.shutdownNow();
    }
}
