package org.opensatchel.core.project;

import java.time.Instant;
import java.util.Optional;

/**
 * One record of a ZIP's central directory (APPNOTE 6.3.10, section 4.3.12), as far as it matters here.
 *
 * @param undecided the name as it is stored where nothing says in which code page; empty where that is known
 */
record ZipEntryRecord(String name, int flags, int method, long crc, long packedBytes, long bytes, long offset, int nameBytes, Kind kind,
        Optional<Instant> time, byte[] undecided) implements EntryHandle {

    enum Kind {
        FILE, FOLDER, SYMLINK, OTHER
    }

    ZipEntryRecord movedBy(long bytes) {
        return new ZipEntryRecord(name, flags, method, crc, packedBytes, this.bytes, offset + bytes, nameBytes, kind, time, undecided);
    }

    ZipEntryRecord named(String other) {
        return new ZipEntryRecord(other, flags, method, crc, packedBytes, bytes, offset, nameBytes, kind, time, undecided);
    }

    boolean isEncrypted() {
        return (flags & 1) != 0;
    }
}
