package org.opensatchel.web.handin;

import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The check as a job kept in the database: it survives a restart, and is tried again when it breaks. */
@Configuration
class CheckJob {

    static final TaskDescriptor<Void> TASK = TaskDescriptor.of("check-hand-in");
    private static final int TRIES = 3;

    @Bean
    OneTimeTask<Void> checkHandIn(HandInCheck check) {
        FailureHandler<Void> again = new FailureHandler.MaxRetriesFailureHandler<>(TRIES - 1, new FailureHandler.ExponentialBackoffFailureHandler<>(Duration.ofSeconds(2)),
                (complete, operations) -> check.giveUp(Long.parseLong(complete.getExecution().getId())));
        return Tasks.oneTime(TASK).onFailure(again).execute((instance, context) -> check.run(Long.parseLong(instance.getId())));
    }
}
