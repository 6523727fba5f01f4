package org.opensatchel.web.errand;

import jakarta.validation.constraints.Min;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;
import org.springframework.validation.annotation.Validated;

/**
 * What errands may take: looking at files, and whatever else is made for people of what somebody sent.
 *
 * @param workers how many go on at once
 * @param beside how many go on at once beside those that somebody waits for
 * @param heap memory for the objects of one
 * @param memory memory of its whole process
 * @param view the longest that a file may take to be shown
 * @param page the longest that a page may take to be printed, or a list to be read
 * @param lesson the longest that learning from an example may take
 * @param copy the longest that a project may take to be copied
 * @param output the most that comes back
 * @param waiting how many may wait
 * @param ofOne how many of one person at once
 * @param temporary the folder for temporary files; the system's where it is not set
 */
@Validated
@ConfigurationProperties("satchel.errands")
record ErrandSettings(@DefaultValue("2") @Min(1) int workers, @DefaultValue("2") @Min(1) int beside, @DefaultValue("384MB") DataSize heap,
        @DefaultValue("900MB") DataSize memory,
        @DefaultValue("20s") Duration view, @DefaultValue("45s") Duration page, @DefaultValue("5m") Duration lesson,
        @DefaultValue("15m") Duration copy, @DefaultValue("32MB") DataSize output,
        @DefaultValue("40") @Min(1) int waiting, @DefaultValue("8") @Min(1) int ofOne, Path temporary) {

    Path temporaryFolder() {
        return temporary == null ? Path.of(System.getProperty("java.io.tmpdir")) : temporary;
    }
}
