package org.opensatchel.web.upload;

import io.micrometer.core.instrument.DistributionSummary;
import io.micrometer.core.instrument.MeterRegistry;
import org.springframework.stereotype.Component;

/** Figures of what is sent: {@code satchel.uploads} by outcome, and {@code satchel.upload.bytes}. */
@Component
class UploadMetrics {

    private final MeterRegistry registry;
    private final DistributionSummary uploaded;

    UploadMetrics(MeterRegistry registry) {
        this.registry = registry;
        this.uploaded = DistributionSummary.builder("satchel.upload.bytes").baseUnit("bytes").register(registry);
    }

    void uploaded(long bytes) {
        registry.counter("satchel.uploads", "outcome", "taken").increment();
        uploaded.record(bytes);
    }

    void refused(String why) {
        registry.counter("satchel.uploads", "outcome", why).increment();
    }
}
