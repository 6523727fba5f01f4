package org.opensatchel.web.storage;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.nio.file.Path;
import org.opensatchel.core.project.ReadLimits;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.util.unit.DataSize;
import org.springframework.validation.annotation.Validated;

/**
 * What an installation can set.
 *
 * @param storage the folder files are kept in
 * @param drives the folder the simulated drives lie in
 * @param maxUpload largest upload
 * @param maxPacket largest list of a folder with its documents
 * @param demo whether the demo data is loaded into an empty database
 * @param reserve what is left alone of the disk that files are kept on
 * @param quotas how much is kept
 * @param limits how much is read of what is handed in
 */
@Validated
@ConfigurationProperties("satchel")
public record SatchelProperties(@NotNull Path storage, @NotNull Path drives, @NotNull DataSize maxUpload, @NotNull DataSize maxPacket,
        boolean demo,
        @NotNull DataSize reserve, @NotNull @Valid Quotas quotas, @NotNull @Valid Limits limits) {

    /**
     * How much is kept.
     *
     * @param student bytes of what one student has handed in to one course
     * @param course bytes of what all students have handed in to one course
     * @param kept how many hand-ins of one student and assignment; of more the oldest go
     */
    public record Quotas(@NotNull DataSize student, @NotNull DataSize course, @Min(1) int kept) {}

    /** The limits of reading, as in {@link ReadLimits}. */
    public record Limits(@Min(1) int entries, @Min(1) int files, @NotNull DataSize unpacked, @Min(1) int ratio, @Min(1) int depth,
            @NotNull DataSize document, @Min(16) int linkText, @Min(1) int findingsPerCode,
            @Min(1) int links, @Min(1) long linksText, @NotNull DataSize documentsInMemory, @Min(1) int findings, @Min(0) int candidates,
            @NotNull DataSize hashed) {

        public ReadLimits read() {
            return new ReadLimits(entries, files, unpacked.toBytes(), ratio, depth, document.toBytes(), linkText, findingsPerCode,
                    new ReadLimits.Sums(links, linksText, documentsInMemory.toBytes(), findings, candidates, hashed.toBytes()));
        }
    }
}
