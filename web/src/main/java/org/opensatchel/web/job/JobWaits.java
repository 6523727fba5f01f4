package org.opensatchel.web.job;

import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;

/** Waits for jobs without holding a thread for each: one looks for all of them, since another server may be at them. */
@Component
class JobWaits {

    private static final Logger LOG = LoggerFactory.getLogger(JobWaits.class);
    private static final Duration LOOK_EVERY = Duration.ofMillis(150);

    private final JobService desk;
    private final Map<CompletableFuture<Void>, Long> waiting = new ConcurrentHashMap<>();

    JobWaits(JobService desk, TaskScheduler looks) {
        this.desk = desk;
        looks.scheduleWithFixedDelay(this::look, LOOK_EVERY);
    }

    /** Completes when a job has ended, and at the latest after a while. */
    CompletableFuture<Void> ended(Job job, Duration patience) {
        CompletableFuture<Void> waits = new CompletableFuture<>();
        waiting.put(waits, job.id());
        waits.completeOnTimeout(null, patience.toMillis(), TimeUnit.MILLISECONDS).whenComplete((done, failed) -> waiting.remove(waits));
        return waits;
    }

    private void look() {
        try {
            if (!waiting.isEmpty()) {
                Set<Long> ended = desk.ended(Set.copyOf(waiting.values()));
                waiting.forEach((waits, job) -> {
                    if (ended.contains(job)) {
                        waits.completeAsync(() -> null);
                    }
                });
            }
        } catch (RuntimeException away) {
            LOG.debug("it could not be seen how far jobs are", away);
        }
    }
}
