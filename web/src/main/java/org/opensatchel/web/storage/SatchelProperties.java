package org.opensatchel.web.storage;

import java.nio.file.Path;
import org.opensatchel.core.project.ReadLimits;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.util.unit.DataSize;

/**
 * What an installation can set.
 *
 * @param storage the folder files are kept in
 * @param drives the folder the simulated drives lie in
 * @param maxUpload largest upload
 * @param demo whether the demo data is loaded into an empty database
 * @param reserve what is left alone of the disk that files are kept on
 * @param quotas how much is kept
 * @param limits how much is read of what is handed in
 */
@ConfigurationProperties("satchel")
public record SatchelProperties(Path storage, Path drives, DataSize maxUpload, boolean demo, DataSize reserve, Quotas quotas, Limits limits) {

    /**
     * How much is kept.
     *
     * @param student bytes of what one student has handed in to one course
     * @param course bytes of what all students have handed in to one course
     * @param kept how many hand-ins of one student and assignment; of more the oldest go
     */
    public record Quotas(DataSize student, DataSize course, int kept) {
    }

    /** The limits of reading, as in {@link ReadLimits}. */
    public record Limits(int entries, int files, DataSize unpacked, int ratio, int depth, DataSize document, int linkText, int findingsPerCode,
            int links, long linksText, DataSize documentsInMemory, int findings, int candidates, DataSize hashed) {

        public ReadLimits read() {
            return new ReadLimits(entries, files, unpacked.toBytes(), ratio, depth, document.toBytes(), linkText, findingsPerCode,
                    new ReadLimits.Sums(links, linksText, documentsInMemory.toBytes(), findings, candidates, hashed.toBytes()));
        }
    }
}
