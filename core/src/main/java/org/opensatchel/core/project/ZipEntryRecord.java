package org.opensatchel.core.project;

import java.time.Instant;
import java.util.Optional;

/** One record of a ZIP's central directory (APPNOTE 6.3.10, section 4.3.12), as far as it matters here. */
record ZipEntryRecord(String name, int flags, int method, long crc, long packedBytes, long bytes, long offset, int nameBytes, Kind kind,
        Optional<Instant> time) implements EntryHandle {

    enum Kind {
        FILE, FOLDER, SYMLINK, OTHER
    }

    ZipEntryRecord movedBy(long bytes) {
        return new ZipEntryRecord(name, flags, method, crc, packedBytes, this.bytes, offset + bytes, nameBytes, kind, time);
    }

    boolean isEncrypted() {
        return (flags & 1) != 0;
    }
}
