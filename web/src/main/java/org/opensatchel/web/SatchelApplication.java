package org.opensatchel.web;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.flywaydb.core.api.callback.BaseCallback;
import org.flywaydb.core.api.callback.Context;
import org.flywaydb.core.api.callback.Event;
import org.opensatchel.web.account.AccountService;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.flyway.autoconfigure.FlywayConfigurationCustomizer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** The web application; with the word {@code account} before its arguments, the command that makes accounts. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class SatchelApplication {

    public static void main(String[] args) {
        if (args.length > 0 && args[0].equals("account")) {
            List<String> words = Arrays.asList(args).subList(1, args.length);
            // No server is needed for it, and no check is made by it.
            try (ConfigurableApplicationContext context = new SpringApplicationBuilder(SatchelApplication.class)
                    .web(WebApplicationType.NONE)
                    .run("--satchel.checks.enabled=false", "--satchel.demo=false", "--db-scheduler.enabled=false",
                            "--logging.level.root=error", "--logging.level.org.opensatchel=error")) {
                String address = context.getEnvironment().getProperty("satchel.address", "http://127.0.0.1:8080");
                System.exit(new AccountCommand(context.getBean(AccountService.class), System.out, System.err, address).run(words));
            }
        }
        SpringApplication application = new SpringApplication(SatchelApplication.class);
        Optional<SignsOfLife> signs = Optional.ofNullable(System.getenv(SignsOfLife.FILE)).filter(path -> !path.isBlank()).map(Path::of)
                .map(SignsOfLife::new);
        signs.ifPresent(one -> {
            application.setApplicationStartup(one);
            // Changing a large database may take longer than all the rest, and tells nothing until it is done.
            application.addInitializers(context -> ((GenericApplicationContext) context)
                    .registerBean(FlywayConfigurationCustomizer.class, () -> flyway -> flyway.callbacks(new BaseCallback() {
                        @Override
                        public boolean supports(Event event, Context migrating) {
                            return event == Event.BEFORE_EACH_MIGRATE;
                        }

                        @Override
                        public void handle(Event event, Context migrating) {
                            one.say(SignsOfLife.DATABASE + " " + migrating.getMigrationInfo().getVersion());
                        }
                    })));
        });
        application.run(args);
        signs.ifPresent(SignsOfLife::serve);
    }
}
