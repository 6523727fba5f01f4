package org.opensatchel.web.http;

import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.opensatchel.web.checks.CheckHealth;
import org.opensatchel.web.storage.ContentStore;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the health of this server consists of, beside the database: checks go on, and files can be kept. */
@Configuration
class Health {

    /** The places where checks are made are alive; when they are not, this server has to be started again. */
    @Bean
    HealthIndicator checks(CheckHealth checks) {
        return () -> (checks.isAlive() ? org.springframework.boot.health.contributor.Health.up()
                : org.springframework.boot.health.contributor.Health.down())
                .withDetail("oldestWaitingSeconds", checks.oldestWaitingSeconds()).withDetail("silentSeconds", checks.silentSeconds())
                .build();
    }

    /** That the database answers; what it said when it did not is in the log, and nobody else's. */
    @Bean
    HealthIndicator db(DataSource database) {
        return () -> {
            try (Connection connection = database.getConnection()) {
                return (connection.isValid(1) ? org.springframework.boot.health.contributor.Health.up()
                        : org.springframework.boot.health.contributor.Health.down()).build();
            } catch (SQLException away) {
                return org.springframework.boot.health.contributor.Health.down().build();
            }
        };
    }

    @Bean
    HealthIndicator store(ContentStore store) {
        return () -> (store.isSound() && store.room() > 0 ? org.springframework.boot.health.contributor.Health.up()
                : org.springframework.boot.health.contributor.Health.down())
                .withDetail("room", store.room()).build();
    }
}
