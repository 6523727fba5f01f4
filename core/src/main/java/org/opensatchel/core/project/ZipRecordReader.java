package org.opensatchel.core.project;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.zip.CRC32;
import org.opensatchel.core.project.ZipEntryRecord.Kind;

/** Reads one record of a central directory out of a buffer and moves the buffer on. */
final class ZipRecordReader {

    private static final int RECORD = 0x02014b50;
    private static final int FIXED_BYTES = 46;
    private static final int UTF8_NAME = 1 << 11;
    private static final int ZIP64_EXTRA = 0x0001;
    private static final int UNIX_TIME_EXTRA = 0x5455;
    private static final int UNICODE_NAME_EXTRA = 0x7075;
    private static final long UNSET = 0xFFFFFFFFL;
    private static final byte[] DECIDED = {};

    private ZipRecordReader() {
    }

    /** Bytes of the record at the buffer's position, of which the fixed part must be there. */
    static int length(ByteBuffer buffer) {
        int at = buffer.position();
        return FIXED_BYTES + unsigned(buffer, at + 28) + unsigned(buffer, at + 30) + unsigned(buffer, at + 32);
    }

    static ZipEntryRecord read(ByteBuffer buffer, long shift) throws ZipDirectory.Broken {
        int at = buffer.position();
        if (buffer.getInt(at) != RECORD) {
            throw new ZipDirectory.Broken(PackageWording.ZIP_CONTENTS_UNREADABLE.say());
        }
        int madeOn = buffer.get(at + 5) & 0xFF;
        int flags = unsigned(buffer, at + 8);
        int nameBytes = unsigned(buffer, at + 28);
        Extras extras = new Extras(buffer, at + FIXED_BYTES + nameBytes, unsigned(buffer, at + 30));
        long packed = buffer.getInt(at + 20) & UNSET;
        long bytes = buffer.getInt(at + 24) & UNSET;
        long offset = buffer.getInt(at + 42) & UNSET;
        int wide = extras.find(ZIP64_EXTRA);
        int next = 0;
        if (wide >= 0) {
            bytes = bytes == UNSET ? extras.wide(wide, next++, bytes) : bytes;
            packed = packed == UNSET ? extras.wide(wide, next++, packed) : packed;
            offset = offset == UNSET ? extras.wide(wide, next, offset) : offset;
        }
        byte[] rawName = new byte[nameBytes];
        buffer.get(at + FIXED_BYTES, rawName);
        Optional<String> known = name(rawName, (flags & UTF8_NAME) != 0, extras);
        String name = known.orElseGet(() -> new String(rawName, NameCodePages.USUAL));
        Kind kind = kind(name, madeOn, buffer.getInt(at + 38));
        ZipEntryRecord record = new ZipEntryRecord(name, flags, unsigned(buffer, at + 10), buffer.getInt(at + 16) & UNSET, packed, bytes,
                offset + shift,
                nameBytes, kind, time(extras, unsigned(buffer, at + 12), unsigned(buffer, at + 14)), known.isPresent() ? DECIDED : rawName);
        buffer.position(at + length(buffer));
        if (packed < 0 || bytes < 0 || offset < 0) {
            throw new ZipDirectory.Broken(PackageWording.ZIP_SIZE_IMPOSSIBLE.say());
        }
        return record;
    }

    /** The name: what the UTF-8 extra says if it belongs to it, UTF-8 where flagged or valid; empty where it is in some code page. */
    private static Optional<String> name(byte[] raw, boolean flagged, Extras extras) {
        int unicode = extras.find(UNICODE_NAME_EXTRA);
        if (!flagged && unicode >= 0) {
            Optional<String> better = extras.unicodeName(unicode, raw);
            if (better.isPresent()) {
                return better;
            }
        }
        try {
            return Optional.of(StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(raw)).toString());
        } catch (CharacterCodingException notUtf8) {
            return flagged ? Optional.of(new String(raw, StandardCharsets.UTF_8)) : Optional.empty();
        }
    }

    private static Kind kind(String name, int madeOn, int attributes) {
        int unixType = madeOn == 3 || madeOn == 19 ? (attributes >>> 16) & 0170000 : 0;
        if (unixType == 0120000) {
            return Kind.SYMLINK;
        }
        if (name.endsWith("/") || name.endsWith("\\") || unixType == 0040000) {
            return Kind.FOLDER;
        }
        return unixType == 0 || unixType == 0100000 ? Kind.FILE : Kind.OTHER;
    }

    private static Optional<Instant> time(Extras extras, int dosTime, int dosDate) {
        int unix = extras.find(UNIX_TIME_EXTRA);
        if (unix >= 0) {
            Optional<Instant> exact = extras.unixTime(unix);
            if (exact.isPresent()) {
                return exact;
            }
        }
        try {
            return Optional.of(LocalDateTime
                    .of(1980 + (dosDate >> 9), (dosDate >> 5) & 15, dosDate & 31, dosTime >> 11, (dosTime >> 5) & 63, (dosTime & 31) * 2)
                    .toInstant(ZoneOffset.UTC));
        } catch (DateTimeException noDate) {
            return Optional.empty();
        }
    }

    private static int unsigned(ByteBuffer buffer, int at) {
        return buffer.getShort(at) & 0xFFFF;
    }

    /** The extra fields of one record (APPNOTE section 4.5). */
    private record Extras(ByteBuffer buffer, int start, int bytes) {

        /** Where the field's content begins, or −1. */
        int find(int id) {
            int at = start;
            while (at + 4 <= start + bytes) {
                int length = unsigned(buffer, at + 2);
                if (unsigned(buffer, at) == id && at + 4 + length <= start + bytes) {
                    return at + 4;
                }
                at += 4 + length;
            }
            return -1;
        }

        private int length(int content) {
            return unsigned(buffer, content - 2);
        }

        long wide(int content, int index, long otherwise) {
            return (index + 1) * 8 <= length(content) ? buffer.getLong(content + index * 8) : otherwise;
        }

        Optional<Instant> unixTime(int content) {
            boolean there = length(content) >= 5 && (buffer.get(content) & 1) != 0;
            return there ? Optional.of(Instant.ofEpochSecond(buffer.getInt(content + 1))) : Optional.empty();
        }

        Optional<String> unicodeName(int content, byte[] raw) {
            if (length(content) < 5) {
                return Optional.empty();
            }
            CRC32 crc = new CRC32();
            crc.update(raw);
            if ((int) crc.getValue() != buffer.getInt(content + 1)) {
                return Optional.empty();
            }
            byte[] name = new byte[length(content) - 5];
            buffer.get(content + 5, name);
            return Optional.of(new String(name, StandardCharsets.UTF_8));
        }
    }
}
