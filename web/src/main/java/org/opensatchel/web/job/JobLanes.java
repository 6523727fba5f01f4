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
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** The place of this server where jobs are carried out, one after the other. Whatever goes wrong with one costs that one. */
@Component
class JobLanes implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(JobLanes.class);
    private static final long POLL_MILLIS = 500;
    private static final long BEAT_MILLIS = 2_000;
    private static final int LOOK_AFTER_EVERY = 20;

    private final JobDesk desk;
    private final Map<String, JobWork> works;
    private ScheduledExecutorService threads;
    private volatile boolean running;

    JobLanes(JobDesk desk, List<JobWork> works) {
        this.desk = desk;
        this.works = works.stream().collect(Collectors.toMap(JobWork::kind, Function.identity()));
    }

    @Override
    public synchronized void start() {
        running = true;
        threads = Executors.newScheduledThreadPool(2, BasicThreadFactory.builder().namingPattern("jobs-%d").daemon(true).build());
        threads.execute(this::work);
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

    private void work() {
        for (int round = 0; running; round++) {
            try {
                if (round % LOOK_AFTER_EVERY == 0) {
                    desk.takeBackLost();
                }
                Optional<JobDesk.Claim> claim = desk.claim();
                if (claim.isPresent()) {
                    carryOut(claim.get());
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

    private void carryOut(JobDesk.Claim claim) {
        boolean[] lost = {false};
        ScheduledFuture<?> beating = threads.scheduleWithFixedDelay(() -> lost[0] |= !alive(claim), BEAT_MILLIS, BEAT_MILLIS,
                TimeUnit.MILLISECONDS);
        try {
            byte[] answer = works.get(claim.kind()).run(claim.asked(), () -> lost[0] || !running);
            desk.done(claim, answer);
        } catch (JobWork.Failed none) {
            ended(claim, none.trouble());
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            LOG.error("a job of kind {} broke", claim.kind(), broke);
            ended(claim, Job.Trouble.FAULT);
        } finally {
            beating.cancel(false);
        }
    }

    /** What ended because this server stops begins elsewhere, as if it had not been begun here. */
    private void ended(JobDesk.Claim claim, Job.Trouble trouble) {
        if (running) {
            desk.failed(claim, trouble);
        } else {
            desk.release(claim);
        }
    }

    /** Whether the job is still ours; a database that is away for a moment takes nothing from anybody. */
    private boolean alive(JobDesk.Claim claim) {
        try {
            return desk.alive(claim);
        } catch (RuntimeException down) {
            LOG.debug("no sign of life could be given", down);
            return true;
        }
    }
}
