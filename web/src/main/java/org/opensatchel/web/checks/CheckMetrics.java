package org.opensatchel.web.checks;

import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.Timer;
import java.time.Duration;
import java.util.List;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * What is counted of uploads and checks, for whoever watches the application: {@code satchel.checks} by verdict,
 * {@code satchel.check.duration} in seconds, {@code satchel.check.failures} by reason, {@code satchel.rule.failures}, the queue's length
 * and age.
 */
@Component
class CheckMetrics {

    private static final Logger LOG = LoggerFactory.getLogger(CheckMetrics.class);

    private final MeterRegistry registry;
    private final Timer checks;

    CheckMetrics(MeterRegistry registry, CheckQueue queue) {
        this.registry = registry;
        this.checks = Timer.builder("satchel.check.duration").register(registry);
        Gauge.builder("satchel.checks.waiting", queue, CheckMetrics::waiting).register(registry);
        Gauge.builder("satchel.checks.oldest", queue, CheckMetrics::oldest).baseUnit("seconds").register(registry);
    }

    private static double waiting(CheckQueue queue) {
        try {
            return queue.length();
        } catch (RuntimeException away) {
            return Double.NaN;
        }
    }

    private static double oldest(CheckQueue queue) {
        try {
            return queue.longestWait().toSeconds();
        } catch (RuntimeException away) {
            return Double.NaN;
        }
    }

    /**
     * A check that was made. What of it broke is logged once: a rule or reader of ours, and on which file, but nothing that a student
     * wrote.
     */
    void done(long handIn, String verdict, Duration took, ReportDigest digest) {
        registry.counter("satchel.checks", "verdict", verdict).increment();
        checks.record(took);
        for (FindingLine failure : failures(digest)) {
            Facts facts = failure.facts().orElse(Facts.NONE);
            registry.counter("satchel.rule.failures", "what", facts.text(FactName.FORMAT).orElse("rule")).increment();
            LOG.warn("checking hand-in {}, the {} broke{}", handIn,
                    facts.text(FactName.FORMAT).map(format -> "reader for " + format)
                            .orElse("rule for " + facts.get(FactName.CODES).orElse(null)),
                    failure.path().isEmpty() ? "" : " on " + failure.path());
        }
    }

    private static List<FindingLine> failures(ReportDigest digest) {
        return digest.head().findings().stream().filter(finding -> finding.code().equals(Code.PACKAGE_RULE_FAILED.id())).toList();
    }

    void failed(String reason) {
        registry.counter("satchel.check.failures", "reason", reason).increment();
    }
}
