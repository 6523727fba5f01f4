package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MOST;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * The central directory of a ZIP file (APPNOTE 6.3.10, with ZIP64), walked as a stream so that neither a claimed nor a
 * real number of entries can exhaust memory.
 */
final class ZipDirectory {

    private static final int LOCAL_HEADER = 0x04034b50;
    private static final int END = 0x06054b50;
    private static final int END_BYTES = 22;
    private static final int ZIP64_LOCATOR = 0x07064b50;
    private static final int ZIP64_LOCATOR_BYTES = 20;
    private static final int ZIP64_END = 0x06064b50;
    private static final int MAX_COMMENT = 65_535;
    private static final int CHUNK = 1 << 18;
    private static final long UNSET = 0xFFFFFFFFL;

    /** Why an archive cannot be opened, completing “This file …”. */
    static final class Broken extends IOException {
        private static final long serialVersionUID = 1L;

        private final transient Phrase what;

        Broken(Phrase what) {
            super(what.key());
            this.what = what;
        }

        Phrase what() {
            return what;
        }
    }

    /** More entries than the limit. */
    static final class TooMany extends IOException {
        private static final long serialVersionUID = 1L;

        private final transient Phrase what;

        TooMany(Phrase what) {
            super(what.key());
            this.what = what;
        }

        Phrase what() {
            return what;
        }
    }

    private record End(long position, long entries, long directoryBytes, long directoryOffset) {}

    private final FileChannel file;
    private long start;

    ZipDirectory(FileChannel file) {
        this.file = file;
    }

    /** How many entries the archive says it has; nothing else of it is read. */
    long claimed() throws IOException {
        return end().entries;
    }

    /** Where the directory that was read begins, and all contents have ended. */
    long start() {
        return start;
    }

    /** The entries in the order of the directory, with offsets corrected for anything that stands before the archive. */
    List<ZipEntryRecord> read(int maxEntries) throws IOException {
        End end = end();
        if (end.entries > maxEntries) {
            throw new TooMany(PackageWording.TOO_MANY_ENTRIES.say(Facts.of(COUNT, end.entries).and(MOST, maxEntries)));
        }
        start = end.position - end.directoryBytes;
        long shift = start - end.directoryOffset;
        if (start < 0 || shift < 0) {
            throw new Broken(PackageWording.ZIP_CONTENTS_OUTSIDE.say());
        }
        List<ZipEntryRecord> entries = new ArrayList<>();
        ByteBuffer window = ByteBuffer.allocate(CHUNK).order(ByteOrder.LITTLE_ENDIAN);
        window.limit(0);
        long at = start;
        while (at < end.position) {
            if (window.remaining() < 46 || window.remaining() < ZipRecordReader.length(window)) {
                fill(window, at, end.position);
            }
            int length = window.remaining() < 46 ? Integer.MAX_VALUE : ZipRecordReader.length(window);
            if (length > window.remaining()) {
                throw new Broken(PackageWording.ZIP_CONTENTS_BREAK_OFF.say());
            }
            if (entries.size() == maxEntries) {
                throw new TooMany(PackageWording.MORE_ENTRIES_THAN.say(Facts.of(MOST, maxEntries)));
            }
            entries.add(ZipRecordReader.read(window, shift));
            at += length;
        }
        if (shift > 0 && !entries.isEmpty() && !isHeader(entries.get(0).offset())) {
            // Only the end record is wrong about where its directory lies: nothing stands before the archive after all.
            if (!isHeader(entries.get(0).offset() - shift)) {
                throw new Broken(PackageWording.ZIP_CONTENTS_NOWHERE.say());
            }
            entries.replaceAll(entry -> entry.movedBy(-shift));
        }
        if (entries.size() != end.entries && (entries.size() & 0xFFFF) != end.entries) {
            throw new Broken(PackageWording.ZIP_CONTENTS_MISCOUNTED.say(Facts.of(MOST, end.entries).and(COUNT, entries.size())));
        }
        return entries;
    }

    private void fill(ByteBuffer window, long at, long limit) throws IOException {
        window.clear();
        window.limit((int) Math.min(CHUNK, limit - at));
        readFully(window, at);
        window.flip();
    }

    private End end() throws IOException {
        long size = file.size();
        if (size < END_BYTES) {
            throw new Broken((size == 0 ? PackageWording.EMPTY_FILE : PackageWording.NO_ZIP).say());
        }
        int tail = (int) Math.min(size, END_BYTES + MAX_COMMENT);
        ByteBuffer buffer = ByteBuffer.allocate(tail).order(ByteOrder.LITTLE_ENDIAN);
        readFully(buffer, size - tail);
        buffer.flip();
        for (int i = tail - END_BYTES; i >= 0; i--) {
            if (buffer.getInt(i) == END && i + END_BYTES + (buffer.getShort(i + 20) & 0xFFFF) <= tail) {
                return end(buffer, i, size - tail + i);
            }
        }
        throw new Broken((startsLikeZip() ? PackageWording.ZIP_CUT_OFF : PackageWording.NO_ZIP).say());
    }

    private End end(ByteBuffer buffer, int i, long position) throws IOException {
        int disk = buffer.getShort(i + 4) & 0xFFFF;
        int directoryDisk = buffer.getShort(i + 6) & 0xFFFF;
        long entries = buffer.getShort(i + 10) & 0xFFFF;
        long bytes = buffer.getInt(i + 12) & UNSET;
        long offset = buffer.getInt(i + 16) & UNSET;
        boolean zip64 = entries == 0xFFFF || bytes == UNSET || offset == UNSET;
        End plain = new End(position, entries, bytes, offset);
        End found = zip64 ? zip64End(position, plain) : plain;
        if (found == plain && (disk != 0 || directoryDisk != 0)) {
            throw new Broken(PackageWording.ZIP_IN_PARTS.say());
        }
        return found;
    }

    /** The ZIP64 end record, or the plain one where there is no locator before it (its fields may simply be full). */
    private End zip64End(long position, End plain) throws IOException {
        if (position < ZIP64_LOCATOR_BYTES) {
            return plain;
        }
        ByteBuffer locator = ByteBuffer.allocate(ZIP64_LOCATOR_BYTES).order(ByteOrder.LITTLE_ENDIAN);
        readFully(locator, position - ZIP64_LOCATOR_BYTES);
        if (locator.getInt(0) != ZIP64_LOCATOR) {
            return plain;
        }
        ByteBuffer record = ByteBuffer.allocate(56).order(ByteOrder.LITTLE_ENDIAN);
        // The record stands right before its locator; the offset in the locator is wrong when something precedes the archive.
        long at = position - ZIP64_LOCATOR_BYTES - 56;
        long claimed = locator.getLong(8);
        for (long candidate : new long[]{claimed, at}) {
            if (candidate < 0 || candidate > position - ZIP64_LOCATOR_BYTES - 56) {
                continue;
            }
            record.clear();
            readFully(record, candidate);
            if (record.getInt(0) == ZIP64_END) {
                long entries = record.getLong(32);
                long bytes = record.getLong(40);
                long offset = record.getLong(48);
                if (entries < 0 || bytes < 0 || offset < 0) {
                    break;
                }
                return new End(candidate, entries, bytes, offset);
            }
        }
        throw new Broken(PackageWording.ZIP_END_RECORD.say());
    }

    private boolean isHeader(long offset) throws IOException {
        ByteBuffer head = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
        if (offset < 0 || offset + 4 > file.size()) {
            return false;
        }
        readFully(head, offset);
        return head.getInt(0) == LOCAL_HEADER;
    }

    private boolean startsLikeZip() throws IOException {
        ByteBuffer head = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
        readFully(head, 0);
        return head.getInt(0) == LOCAL_HEADER;
    }

    private void readFully(ByteBuffer buffer, long at) throws IOException {
        int from = buffer.position();
        while (buffer.hasRemaining()) {
            if (file.read(buffer, at + buffer.position() - from) < 0) {
                throw new EOFException();
            }
        }
    }
}
