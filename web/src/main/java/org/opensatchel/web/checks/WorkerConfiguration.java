package org.opensatchel.web.checks;

import org.opensatchel.web.errand.WorkerCommand;
import org.opensatchel.worker.WorkerPool;
import org.opensatchel.worker.WorkerSettings;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The workers of this server that make checks. */
@Configuration
class WorkerConfiguration {

    @Bean(destroyMethod = "close")
    WorkerPool workers(CheckSettings settings, WorkerCommand command) {
        return new WorkerPool(new WorkerSettings(command.java(), command.main(), settings.temporaryFolder(),
                (int) settings.heap().toMegabytes(),
                (int) settings.memory().toMegabytes(), settings.time(), settings.output().toBytes()));
    }
}
