package org.opensatchel.web.checks;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import com.microsoft.playwright.options.RequestOptions;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.simple.SimpleMeterRegistry;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.web.RunningApplication;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;

/** What is counted, what is logged, and who may see it. */
class CheckMetricsTest extends RunningApplication {

    @Autowired
    private MeterRegistry registry;
    @Autowired
    private CheckQueue queue;

    @Test
    void checksOfTheDemoAreCounted() {
        assertThat(registry.get("satchel.checks").tag("verdict", "ready").counter().count()).isPositive();
        assertThat(registry.get("satchel.checks").tag("verdict", "fix").counter().count()).isPositive();
        assertThat(registry.get("satchel.check.duration").timer().count()).isPositive();
        assertThat(registry.get("satchel.checks.waiting").gauge().value()).isGreaterThanOrEqualTo(0);
        assertThat(registry.get("satchel.checks.oldest").gauge().value()).isGreaterThanOrEqualTo(0);
    }

    /** Where pages are, metrics are nobody's. */
    @Test
    void nobodyReadsThemWherePagesAre() {
        for (var page : List.of(unknown(), signIn("quillfeather"))) {
            var answer = page.request().get(address("/actuator/prometheus"), RequestOptions.create().setMaxRedirects(0));
            assertThat(answer.status()).isNotEqualTo(200);
            assertThat(answer.text()).doesNotContain("satchel_checks");
        }
    }

    @Test
    void aRuleThatBrokeIsLoggedOnceWithItsHandInAndFile() {
        ListAppender<ILoggingEvent> heard = new ListAppender<>();
        Logger logger = (Logger) LoggerFactory.getLogger(CheckMetrics.class);
        heard.start();
        logger.addAppender(heard);
        MeterRegistry own = new SimpleMeterRegistry();
        Report.FindingLine broke = new Report.FindingLine("package.rule-failed", "note", "edit/a.otio", Optional.empty(), "said", "why",
                List.of(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(Facts.of(FactName.HOW, "reader").and(FactName.FORMAT, "OTIO timeline")));
        Report report = new Report(1, Instant.EPOCH, Verdict.READY, Optional.empty(), Optional.empty(), Optional.empty(),
                new Report.Project(Optional.of("x"), 1, 1, 1, 0, Optional.empty()), new Report.Counts(0, 0, 1), Optional.empty(), List.of(),
                List.of(broke),
                List.of(),
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
        new CheckMetrics(own, queue).done(4711, "ready", Duration.ofSeconds(2), ReportDigest.of(report));
        assertThat(own.get("satchel.rule.failures").tag("what", "OTIO timeline").counter().count()).isEqualTo(1);
        logger.detachAppender(heard);
        assertThat(heard.list).extracting(ILoggingEvent::getFormattedMessage)
                .containsExactly("checking hand-in 4711, the reader for OTIO timeline broke on edit/a.otio");
    }
}
