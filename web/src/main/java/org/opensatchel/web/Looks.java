package org.opensatchel.web;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/** The clock for what is looked at again and again, and for what happens in a while. What fails once is logged, and looked at again. */
@Configuration
class Looks {

    /** One look may wait for the database; the others go on beside it. */
    private static final int AT_ONCE = 2;

    @Bean
    TaskScheduler lookScheduler() {
        ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
        scheduler.setPoolSize(AT_ONCE);
        scheduler.setThreadNamePrefix("looks-");
        scheduler.setDaemon(true);
        scheduler.setRemoveOnCancelPolicy(true);
        // Requests that are under way while the server stops are still answered.
        scheduler.setAcceptTasksAfterContextClose(true);
        return scheduler;
    }
}
