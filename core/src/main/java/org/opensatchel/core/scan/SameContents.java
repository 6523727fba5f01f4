package org.opensatchel.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.CRC32C;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.formats.TypeProbe;
/** Looks for files that may have the content of another, which then are hashed. */
final class SameContents {

    /** Of shorter files the whole is read as soon as its beginning. */
    private static final long WORTH_A_LOOK = 8L << 10;

    private final ProjectSource source;

    SameContents(ProjectSource source) {
        this.source = source;
    }

    /** What two files share that may have the same content. */
    private record Likeness(long bytes, long checksum) {
        static Likeness of(ProjectFile file) {
            return new Likeness(file.bytes(), file.entry().checksum());
        }
    }

    /** What two files must share before it is worth hashing them; a source without contents told its hashes itself. */
    private static Set<Likeness> sharedContents(List<ProjectFile> files) {
        Set<Likeness> seen = new HashSet<>();
        return files.stream().filter(file -> file.bytes() > 0).map(Likeness::of).filter(likeness -> !seen.add(likeness))
                .collect(Collectors.toSet());
    }

    /**
     * Which files may have the content of another: those as long as another, and where the source has no checksums, with the same
     * beginning and end as well. Many pictures are as long as another; few of them begin like it.
     */
    BitSet among(List<ProjectFile> files) throws IOException {
        Set<Likeness> shared = sharedContents(files);
        BitSet out = new BitSet();
        Map<Likeness, Map<Long, Integer>> first = new HashMap<>();
        for (int i = 0; i < files.size(); i++) {
            ProjectFile file = files.get(i);
            Likeness likeness = Likeness.of(file);
            if (!shared.contains(likeness)) {
                continue;
            }
            if (likeness.checksum() != 0 || file.bytes() < WORTH_A_LOOK) {
                out.set(i);
                continue;
            }
            Optional<Long> beginning = beginning(file);
            if (beginning.isPresent()) {
                Integer other = first.computeIfAbsent(likeness, key -> new HashMap<>()).putIfAbsent(beginning.get(), i);
                if (other != null) {
                    out.set(other);
                    out.set(i);
                }
            }
        }
        return out;
    }

    /** A checksum of a file's beginning; of one that cannot be read the scan tells by itself. */
    private Optional<Long> beginning(ProjectFile file) throws IOException {
        try (InputStream content = source.open(file.entry())) {
            CRC32C crc = new CRC32C();
            crc.update(content.readNBytes(TypeProbe.HEAD_BYTES));
            return Optional.of(crc.getValue());
        } catch (ContentUnavailable unavailable) {
            return Optional.empty();
        }
    }
}
