package org.opensatchel.core.pack;

import java.io.Closeable;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.UnixStat;
import org.apache.commons.compress.archivers.zip.X5455_ExtendedTimestamp;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipLong;
import org.opensatchel.formats.Formats;

/**
 * Writes ZIP archives (APPNOTE.TXT 6.3) as a stream, the same bytes each time. Names are in UTF-8 with the language encoding
 * flag, and entries say they were made on Unix: an unpacker that is told FAT takes names for an old code page, flag or no flag.
 */
public final class ZipWriter implements Closeable {

    /** A fixed time, since what is written holds no time of its own; later than the format's first, which unpackers show oddly. */
    private static final LocalDateTime TIME = LocalDateTime.of(2020, 1, 1, 12, 0);
    private static final int FOLDER = UnixStat.DIR_FLAG | 0755;
    private static final int FILE = UnixStat.FILE_FLAG | 0644;

    /** Archives are no format of a document or of media, and compressed too. */
    private static final Set<String> ARCHIVES = Set.of("zip", "gz", "7z");

    private final ZipArchiveOutputStream zip;
    private final boolean compressed;
    private final Guard guard;

    /** What a name has to be before it is written. */
    private interface Guard {
        String required(String path) throws IOException;
    }

    /**
     * @param out is flushed at the end, not closed
     * @param compressed whether contents are worth compressing
     */
    public ZipWriter(OutputStream out, boolean compressed) {
        this(out, compressed, WriteGuard::required);
    }

    /**
     * For what is kept to be checked, and never unpacked as it is: names stay as they were found, since a wrong one is what a check has to
     * tell. Only what leads out of the archive is refused.
     */
    static ZipWriter asFound(OutputStream out) {
        return new ZipWriter(out, false, WriteGuard::inside);
    }

    private ZipWriter(OutputStream out, boolean compressed, Guard guard) {
        this.guard = guard;
        zip = new ZipArchiveOutputStream(new KeptOpen(out));
        zip.setEncoding(StandardCharsets.UTF_8.name());
        zip.setUseLanguageEncodingFlag(true);
        zip.setCreateUnicodeExtraFields(ZipArchiveOutputStream.UnicodeExtraFieldPolicy.NEVER);
        this.compressed = compressed;
        zip.setUseZip64(Zip64Mode.AsNeeded);
    }

    /** An entry's content, written while the archive is. */
    public interface Content {
        void writeTo(OutputStream out) throws IOException;
    }

    /** An empty folder; what names it is refused where some system could not make it. */
    public void folder(String path) throws IOException {
        ZipArchiveEntry entry = entry(guard.required(path) + "/", FOLDER);
        entry.setMethod(ZipEntry.STORED);
        entry.setSize(0);
        entry.setCrc(0);
        zip.putArchiveEntry(entry);
        zip.closeArchiveEntry();
    }

    /** A file with its content, refused as a folder is. */
    public void file(String path, byte[] content) throws IOException {
        ZipArchiveEntry entry = entry(guard.required(path), FILE);
        entry.setSize(content.length);
        zip.putArchiveEntry(entry);
        zip.write(content);
        zip.closeArchiveEntry();
    }

    /**
     * Copies a file of a known size.
     *
     * @throws IOException when there is more or less of it
     */
    public void file(String path, InputStream content, long bytes) throws IOException {
        ZipArchiveEntry entry = entry(guard.required(path), FILE);
        entry.setSize(bytes);
        zip.putArchiveEntry(entry);
        long copied = content.transferTo(zip);
        zip.closeArchiveEntry();
        if (copied != bytes) {
            throw new IOException(path + " has " + copied + " bytes where " + bytes + " were expected");
        }
    }

    /** A file whose size is not known before it is written. */
    public void file(String path, Content content) throws IOException {
        zip.putArchiveEntry(entry(guard.required(path), FILE));
        content.writeTo(new KeptOpen(zip));
        zip.closeArchiveEntry();
    }

    /** A file with the time it was last changed, in whole seconds (APPNOTE.TXT 4.5.2, extended timestamp); without one where it tells none. */
    void file(String path, Optional<Instant> changed, Content content) throws IOException {
        ZipArchiveEntry entry = entry(guard.required(path), FILE);
        changed.map(Instant::getEpochSecond).filter(seconds -> seconds == seconds.intValue()).ifPresent(seconds -> {
            X5455_ExtendedTimestamp exact = new X5455_ExtendedTimestamp();
            exact.setModifyTime(new ZipLong(seconds));
            exact.setFlags(X5455_ExtendedTimestamp.MODIFY_TIME_BIT);
            entry.addExtraField(exact);
        });
        zip.putArchiveEntry(entry);
        content.writeTo(new KeptOpen(zip));
        zip.closeArchiveEntry();
    }

    private ZipArchiveEntry entry(String path, int mode) {
        String ending = path.substring(path.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        boolean worth = compressed && !ARCHIVES.contains(ending) && !Formats.isCompressed(ending);
        zip.setLevel(worth ? Deflater.DEFAULT_COMPRESSION : Deflater.NO_COMPRESSION);
        ZipArchiveEntry entry = new ZipArchiveEntry(path);
        entry.setTimeLocal(TIME);
        entry.setUnixMode(mode);
        return entry;
    }

    @Override
    public void close() throws IOException {
        zip.finish();
        zip.flush();
    }

    /** Leaves the stream it writes to open, and passes blocks on as blocks. */
    private static final class KeptOpen extends FilterOutputStream {
        KeptOpen(OutputStream out) {
            super(out);
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            out.write(bytes, from, length);
        }

        @Override
        public void close() throws IOException {
            flush();
        }
    }
}
