package org.opensatchel.web.checks;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;
import org.springframework.validation.annotation.Validated;

/**
 * What a check may take.
 *
 * @param enabled whether this server makes checks at all
 * @param workers how many go on at once; 0 for as many as half the processors, and two at least
 * @param heap memory for the objects of one
 * @param memory memory of its whole process
 * @param time the longest one may take
 * @param output the most that is kept of its report, compressed
 * @param temporary the folder for its temporary files; the system's where it is not set
 */
@Validated
@ConfigurationProperties("satchel.checks")
record CheckSettings(@DefaultValue("true") boolean enabled, @DefaultValue("0") @Min(0) @Max(256) int workers,
        @DefaultValue("512MB") DataSize heap, @DefaultValue("1200MB") DataSize memory, @DefaultValue("10m") Duration time,
        @DefaultValue("64MB") DataSize output, Path temporary) {

    private static final int FEWEST = 2;

    int places() {
        return workers > 0 ? workers : Math.max(FEWEST, Runtime.getRuntime().availableProcessors() / 2);
    }

    Path temporaryFolder() {
        return temporary == null ? Path.of(System.getProperty("java.io.tmpdir")) : temporary;
    }
}
