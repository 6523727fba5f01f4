package org.opensatchel.web.checks;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.worker.Packed;
import org.opensatchel.worker.WorkOutcome;
import org.opensatchel.worker.WorkerPool;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The places of this server where checks are made, a thread for each: takes the next check, has a worker make it, keeps
 * what came of it. Whatever goes wrong in one round costs that round, and a place that ends all the same is made anew.
 */
@Component
class CheckRunner implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(CheckRunner.class);
    private static final long POLL_MILLIS = 1_000;
    private static final long BEAT_MILLIS = 5_000;
    private static final int KEEP_TRIES = 30;
    private static final int WARM_AFTER = 8;

    private final CheckQueue queue;
    private final HandInCheck check;
    private final CheckMetrics metrics;
    private final WorkerPool workers;
    private final ApplicationEventPublisher events;
    private final int places;
    private final boolean enabled;
    private final Semaphore woken = new Semaphore(0);
    private final List<Lane> lanes = new ArrayList<>();
    private ScheduledExecutorService beats;
    private volatile boolean running;

    CheckRunner(CheckQueue queue, HandInCheck check, WorkerPool workers, CheckSettings settings, CheckMetrics metrics,
            ApplicationEventPublisher events) {
        this.events = events;
        this.queue = queue;
        this.check = check;
        this.metrics = metrics;
        this.workers = workers;
        this.places = settings.places();
        this.enabled = settings.enabled();
    }

    /** There will be something to do when the transaction that runs now is committed. */
    void wakeAfterCommit() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                wake();
            }
        });
    }

    /** There may be something to do. */
    void wake() {
        woken.release();
    }

    /** How long ago the place that has been silent longest gave a sign of life. */
    synchronized Duration silence() {
        return lanes.stream().map(Lane::silence).max(Duration::compareTo).orElse(Duration.ofDays(1));
    }

    @Override
    public synchronized void start() {
        running = true;
        beats = Executors.newScheduledThreadPool(1, task -> daemon(task, "check-beats"));
        beats.scheduleWithFixedDelay(this::lookAfter, BEAT_MILLIS, BEAT_MILLIS, TimeUnit.MILLISECONDS);
        for (int i = 0; i < places; i++) {
            lanes.add(new Lane(i));
        }
        lanes.forEach(Lane::begin);
    }

    @Override
    public boolean isAutoStartup() {
        return enabled;
    }

    @Override
    public void stop() {
        running = false;
        workers.close();
        synchronized (this) {
            beats.shutdownNow();
            lanes.forEach(lane -> lane.thread.interrupt());
            lanes.forEach(Lane::release);
            lanes.clear();
        }
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    private static Thread daemon(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    /** Begins what has ended, and takes back what others have lost. */
    private void lookAfter() {
        try {
            synchronized (this) {
                lanes.stream().filter(lane -> running && !lane.thread.isAlive()).forEach(Lane::begin);
            }
            int lost = queue.takeBackLost();
            if (lost > 0) {
                LOG.warn("{} checks had no sign of life and wait again", lost);
                woken.release();
            }
        } catch (RuntimeException later) {
            LOG.debug("looking after the checks failed; it is done again", later);
        }
    }

    /** One place. */
    private final class Lane {
        private final int number;
        private volatile long sign = System.nanoTime();
        private volatile Thread thread;
        private volatile CheckQueue.Claim current;

        Lane(int number) {
            this.number = number;
        }

        void begin() {
            thread = daemon(this::work, "check-" + number);
            thread.start();
        }

        /** What is not ended here begins elsewhere, at once. */
        void release() {
            CheckQueue.Claim open = current;
            if (open != null) {
                try {
                    queue.release(open);
                } catch (RuntimeException away) {
                    LOG.debug("a check will be missed and taken back", away);
                }
            }
        }

        Duration silence() {
            return Duration.ofNanos(System.nanoTime() - sign);
        }

        private void work() {
            int idle = 0;
            while (running) {
                sign = System.nanoTime();
                try {
                    Optional<CheckQueue.Claim> claim = queue.claim();
                    if (claim.isEmpty()) {
                        // A worker is begun before it is needed, but not while the server itself still begins.
                        if (++idle == WARM_AFTER) {
                            warm();
                        }
                        woken.tryAcquire(POLL_MILLIS, TimeUnit.MILLISECONDS);
                    } else {
                        make(claim.get());
                    }
                } catch (InterruptedException asked) {
                    return;
                } catch (RuntimeException down) {
                    // The database does not answer, or a fault of ours: nothing is lost, it is looked at again.
                    LOG.warn("a round of checks failed: {}", down.toString());
                    pause();
                }
            }
        }

        private void warm() {
            try {
                workers.warm(1);
            } catch (IOException | IllegalStateException none) {
                LOG.error("no worker could be started: {}", none.getMessage());
            }
        }

        private void pause() {
            try {
                Thread.sleep(POLL_MILLIS);
            } catch (InterruptedException asked) {
                Thread.currentThread().interrupt();
            }
        }

        private void make(CheckQueue.Claim claim) throws InterruptedException {
            long[] done = {0, 0};
            current = claim;
            ScanProgress progress = (files, bytes) -> {
                done[0] = files;
                done[1] = bytes;
                beat(claim, done);
            };
            ScheduledFuture<?> beating = beats.scheduleWithFixedDelay(() -> beat(claim, done), BEAT_MILLIS, BEAT_MILLIS,
                    TimeUnit.MILLISECONDS);
            try {
                long begun = System.nanoTime();
                WorkOutcome outcome = check.run(claim.check(), progress);
                if (running) {
                    keep(claim, outcome);
                    count(claim, outcome, Duration.ofNanos(System.nanoTime() - begun));
                }
            } catch (RuntimeException broke) {
                LOG.error("the check of hand-in {} could not be made", claim.handIn(), broke);
                keep(claim, new WorkOutcome.Failed(WorkOutcome.Reason.STORE, broke.toString()));
            } finally {
                beating.cancel(false);
                if (running) {
                    current = null;
                }
            }
        }

        private void count(CheckQueue.Claim claim, WorkOutcome outcome, Duration took) {
            if (outcome instanceof WorkOutcome.Done done) {
                metrics.done(claim.handIn(), done.result().summary().verdict().word(), took,
                        ReportJson.readDigest(Packed.unpack(done.result().digest())));
            } else if (outcome instanceof WorkOutcome.Failed failed) {
                metrics.failed(failed.reason().name());
            }
        }

        private void beat(CheckQueue.Claim claim, long[] done) {
            sign = System.nanoTime();
            try {
                queue.alive(claim, done[0], done[1]);
            } catch (RuntimeException down) {
                LOG.debug("no sign of life could be given", down);
            }
        }

        /** A result is worth a wait for a database that is gone for a moment. */
        private void keep(CheckQueue.Claim claim, WorkOutcome outcome) throws InterruptedException {
            for (int i = 0; i < KEEP_TRIES && running; i++) {
                try {
                    kept(claim, outcome);
                    return;
                } catch (RuntimeException down) {
                    LOG.warn("what came of hand-in {} could not be kept yet: {}", claim.handIn(), down.toString());
                    sign = System.nanoTime();
                    Thread.sleep(POLL_MILLIS);
                }
            }
        }

        private void kept(CheckQueue.Claim claim, WorkOutcome outcome) {
            if (outcome instanceof WorkOutcome.Done done) {
                if (queue.done(claim, done.result())) {
                    events.publishEvent(new HandInChecked(claim.handIn(), done.result().wishes()));
                }
            } else if (outcome instanceof WorkOutcome.Failed failed) {
                boolean last = queue.failed(claim, failed.reason());
                LOG.warn("the check of hand-in {} failed ({}: {}){}", claim.handIn(), failed.reason(), failed.detail(),
                        last ? " and was given up" : "");
            }
        }
    }
}
