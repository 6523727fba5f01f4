package org.opensatchel.web.handin;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.worker.Packed;
import org.springframework.stereotype.Component;

/**
 * Digests as they are kept, read. Whoever decides about a report, or goes through the pages of its links, has the same one read again and
 * again: those read last stay at hand, by their very bytes, so that none is ever out of date.
 */
@Component
public class Digests {

    /** Of the bytes as they are kept; read, they take some thirty times as much. */
    private static final long MOST_BYTES = 1 << 20;

    private final Cache<Kept, ReportDigest> read = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Kept, ReportDigest>weigher((kept, digest) -> kept.packed.length).build();

    private record Kept(byte[] packed) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Kept kept && Arrays.equals(packed, kept.packed);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(packed);
        }
    }

    /** A digest as it is kept, read. */
    public ReportDigest read(byte[] packed) {
        return read.get(new Kept(packed), kept -> ReportJson.readDigest(Packed.unpack(kept.packed)));
    }
}
