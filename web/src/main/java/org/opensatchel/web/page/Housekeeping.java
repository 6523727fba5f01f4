package org.opensatchel.web.page;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.HashSet;
import java.util.Set;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.ContentStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What is done from time to time by one of the servers: contents that nobody owns any more are removed. */
@Configuration
class Housekeeping {

    private static final Logger LOG = LoggerFactory.getLogger(Housekeeping.class);
    private static final Duration EVERY = Duration.ofHours(1);
    /** What was just stored may not have its owner yet; a roster that is being looked at never has one. */
    private static final Duration LEFT_ALONE = Duration.ofHours(24);

    @Bean
    RecurringTask<Void> collectContents(ContentStore store, HandInService handIns, KitService kits, Clock clock) {
        return Tasks.recurring("collect-contents", FixedDelay.of(EVERY)).execute((instance, context) -> {
            try {
                int removed = collect(store, handIns, kits, clock);
                LOG.info("{} contents without an owner were removed", removed);
            } catch (IOException unreadable) {
                LOG.error("contents without an owner could not be removed", unreadable);
            }
        });
    }

    static int collect(ContentStore store, HandInService handIns, KitService kits, Clock clock) throws IOException {
        Set<String> owned = new HashSet<>(handIns.contents());
        owned.addAll(kits.contents());
        return store.collect(owned::contains, clock.instant().minus(LEFT_ALONE));
    }
}
