package org.opensatchel.web.job;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Waits for jobs without holding a thread for each: one looks for all of them, since another server may be at them. */
@Component
class JobWaits {

    private static final Logger LOG = LoggerFactory.getLogger(JobWaits.class);
    private static final long LOOK_MILLIS = 150;

    private final JobDesk desk;
    private final Map<CompletableFuture<Void>, Long> waiting = new ConcurrentHashMap<>();
    private final ScheduledExecutorService looking = Executors
            .newSingleThreadScheduledExecutor(BasicThreadFactory.builder().namingPattern("job-waits").daemon(true).build());

    JobWaits(JobDesk desk) {
        this.desk = desk;
        looking.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
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

    @PreDestroy
    void close() {
        looking.shutdownNow();
    }
}
