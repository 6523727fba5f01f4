package org.opensatchel.web.http;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.io.IOException;
import java.time.Duration;
import org.opensatchel.web.job.JobService;
import org.opensatchel.web.kit.KitEditor;
import org.opensatchel.web.resumable.ResumableUploadService;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.MadeFiles;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What is done from time to time by one of the servers: contents that nobody owns are removed, and old saves of plans thinned out. */
@Configuration
class Housekeeping {

    private static final Logger LOG = LoggerFactory.getLogger(Housekeeping.class);
    private static final Duration EVERY = Duration.ofHours(1);

    @Bean
    RecurringTask<Void> collectContents(Contents contents) {
        return Tasks.recurring("collect-contents", FixedDelay.of(EVERY)).execute((instance, context) -> {
            try {
                LOG.info("{} contents without an owner were removed", contents.collect());
            } catch (IOException unreadable) {
                LOG.error("contents without an owner could not be removed", unreadable);
            }
        });
    }

    @Bean
    RecurringTask<Void> pruneSendings(ResumableUploadService sendings) {
        return Tasks.recurring("prune-sendings", FixedDelay.of(EVERY)).execute((instance, context) -> {
            try {
                sendings.prune();
            } catch (IOException unreadable) {
                LOG.error("what was left of uploads could not be removed", unreadable);
            }
        });
    }

    @Bean
    RecurringTask<Void> pruneJobs(JobService jobs, MadeFiles made) {
        return Tasks.recurring("prune-jobs", FixedDelay.of(Duration.ofMinutes(10))).execute((instance, context) -> {
            LOG.debug("{} answers of jobs were let go of", jobs.prune());
            made.removeOld();
        });
    }

    @Bean
    RecurringTask<Void> pruneDrafts(KitEditor editor) {
        return Tasks.recurring("prune-drafts", FixedDelay.of(EVERY))
                .execute((instance, context) -> LOG.info("{} saves of plans were let go of", editor.prune()));
    }
}
