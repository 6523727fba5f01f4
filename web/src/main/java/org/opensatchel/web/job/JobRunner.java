package org.opensatchel.web.job;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.web.errand.Errands;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Where this server carries jobs out: of each lane one after the other. Whatever goes wrong with one costs that one. */
@Component
class JobRunner implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(JobRunner.class);
    private static final long POLL_MILLIS = 250;
    private static final long BEAT_MILLIS = 2_000;
    private static final int LOOK_AFTER_EVERY = 40;

    private final JobService desk;
    private final Map<String, JobWork> works;
    private ScheduledExecutorService threads;
    private volatile boolean running;

    JobRunner(JobService desk, List<JobWork> works) {
        this.desk = desk;
        this.works = works.stream().collect(Collectors.toMap(JobWork::kind, Function.identity()));
    }

    @Override
    public synchronized void start() {
        running = true;
        Map<JobWork.Lane, List<String>> lanes = works.values().stream()
                .collect(Collectors.groupingBy(JobWork::lane, Collectors.mapping(JobWork::kind, Collectors.toList())));
        threads = Executors.newScheduledThreadPool(lanes.size() + 1,
                BasicThreadFactory.builder().namingPattern("jobs-%d").daemon(true).build());
        lanes.values().forEach(kinds -> threads.execute(() -> work(kinds)));
    }

    @Override
    public synchronized void stop() {
        running = false;
        threads.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    private void work(List<String> kinds) {
        for (int round = 0; running; round++) {
            try {
                if (round % LOOK_AFTER_EVERY == 0) {
                    desk.takeBackLost();
                }
                Optional<JobService.Claim> claim = desk.claim(kinds);
                if (claim.isPresent()) {
                    new Carried(claim.get()).carryOut();
                } else {
                    TimeUnit.MILLISECONDS.sleep(POLL_MILLIS);
                }
            } catch (InterruptedException stopped) {
                return;
            } catch (RuntimeException | StackOverflowError | LinkageError down) {
                LOG.warn("a round of jobs failed: {}", down.toString());
                pause();
            }
        }
    }

    private void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(POLL_MILLIS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    /** A job that is carried out here. */
    private final class Carried implements JobWork.Going {

        private final JobService.Claim claim;
        private volatile boolean lost;

        Carried(JobService.Claim claim) {
            this.claim = claim;
        }

        @Override
        public boolean isStopped() {
            return lost || !running;
        }

        @Override
        public void done(long done, long whole) {
            desk.progress(claim, done, whole);
        }

        void carryOut() {
            ScheduledFuture<?> beating = threads.scheduleWithFixedDelay(() -> lost |= !isAlive(), BEAT_MILLIS, BEAT_MILLIS,
                    TimeUnit.MILLISECONDS);
            try {
                desk.done(claim, works.get(claim.kind()).run(claim.asked(), this));
            } catch (JobWork.Failed none) {
                ended(none.trouble());
            } catch (Errands.NoAnswer none) {
                ended(none.isGone() ? Job.Trouble.GONE : none.isOfSize() && !none.isOfWorker() ? Job.Trouble.SIZE : Job.Trouble.FAULT);
            } catch (RuntimeException | StackOverflowError | LinkageError broke) {
                LOG.error("a job of kind {} broke", claim.kind(), broke);
                ended(Job.Trouble.FAULT);
            } finally {
                beating.cancel(false);
            }
        }

        /** What ended because this server stops begins elsewhere, as if it had not been begun here. */
        private void ended(Job.Trouble trouble) {
            if (running) {
                desk.failed(claim, trouble);
            } else {
                desk.release(claim);
            }
        }

        /** Whether the job is still ours; a database that is away for a moment takes nothing from anybody. */
        private boolean isAlive() {
            try {
                return desk.alive(claim);
            } catch (RuntimeException down) {
                LOG.debug("no sign of life could be given", down);
                return true;
            }
        }
    }
}
