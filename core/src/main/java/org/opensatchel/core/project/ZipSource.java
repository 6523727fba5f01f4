package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NUMBER;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;
import org.apache.commons.compress.compressors.bzip2.BZip2CompressorInputStream;
import org.apache.commons.compress.compressors.deflate64.Deflate64CompressorInputStream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.project.ZipEntryRecord.Kind;

/**
 * A ZIP archive (APPNOTE 6.3.10). The central directory counts; members are read where it says, checked against its sizes
 * and checksums, and never unpacked to disk. Read are the methods store, deflate, deflate64 and bzip2.
 */
public final class ZipSource implements ProjectSource {

    private static final int GLANCE = 2_000;
    /** Offset, packed bytes, method, flags and checksum of a member. */
    private static final Pattern HANDLE = Pattern.compile("([0-9]{1,18}) ([0-9]{1,18}) ([0-9]{1,5}) ([0-9]{1,5}) ([0-9]{1,10})");
    private static final int LOCAL_HEADER = 0x04034b50;
    private static final int LOCAL_HEADER_BYTES = 30;
    /** The most bytes that one deflated byte can stand for (RFC 1951: a length of 258 in two bits), rounded up. */
    private static final int MOST_DEFLATED = 1_040;

    private final FileChannel file;
    /** How names are read that do not say so; null until they were looked at. */
    private NameCodePages.Choice choice;
    private NameChoice names = NameChoice.CLEAR;
    private List<byte[]> stored = List.of();

    private ZipSource(FileChannel file) {
        this.file = file;
    }

    /**
     * Opens an archive, of which nothing is read yet.
     *
     * @throws IOException where there is no such file, or it may not be read
     */
    public static ZipSource open(Path archive) throws IOException {
        return new ZipSource(FileChannel.open(archive, StandardOpenOption.READ));
    }

    /**
     * What an archive says of itself.
     *
     * @param entries how many entries there are
     * @param bytes what they unpack to; 0 where there are too many to be added up at a glance
     */
    public record Glance(long entries, long bytes) {}

    /** A look at the table of contents alone, for what may be waited for; nothing for what is no archive. */
    public Glance glance() throws IOException {
        try {
            ZipDirectory directory = new ZipDirectory(file);
            long entries = directory.claimed();
            long bytes = 0;
            for (ZipEntryRecord record : entries > GLANCE ? List.<ZipEntryRecord>of() : directory.read(GLANCE)) {
                bytes += Math.min(record.bytes(), Integer.MAX_VALUE);
            }
            return new Glance(entries, bytes);
        } catch (ZipDirectory.Broken | ZipDirectory.TooMany none) {
            return new Glance(0, 0);
        }
    }

    @Override
    public Intake list(ReadLimits limits) throws IOException {
        List<ZipEntryRecord> records;
        ZipDirectory directory = new ZipDirectory(file);
        try {
            records = directory.read(limits.entries());
        } catch (ZipDirectory.Broken broken) {
            return Intake.unreadable(broken.what());
        } catch (ZipDirectory.TooMany many) {
            return Intake.bomb(many.what());
        }
        if (records.isEmpty()) {
            return Intake.unreadable(PackageWording.ZIP_EMPTY.say());
        }
        records = named(records);
        Optional<Phrase> bomb = bomb(records, limits);
        return bomb.isPresent() ? Intake.bomb(bomb.get()) : new Intake.Opened(new Sorting(limits, directory.start()).sort(records));
    }

    private List<ZipEntryRecord> named(List<ZipEntryRecord> records) {
        stored = records.stream().map(ZipEntryRecord::undecided).filter(name -> name.length > 0).toList();
        if (stored.isEmpty()) {
            return records;
        }
        choice = choice == null ? NameCodePages.choose(stored, Set.of()) : choice;
        List<ZipEntryRecord> out = records.stream()
                .map(record -> record.undecided().length == 0 ? record : record.named(new String(record.undecided(), choice.charset())))
                .toList();
        names = new NameChoice(out.stream().filter(record -> record.undecided().length > 0).map(ZipEntryRecord::name).toList(),
                choice.sure());
        return out;
    }

    @Override
    public NameChoice names() {
        return names;
    }

    @Override
    public boolean chooseNames(Set<String> linked) {
        NameCodePages.Choice before = choice;
        choice = NameCodePages.choose(stored, linked);
        return !choice.equals(before);
    }

    private static Optional<Phrase> bomb(List<ZipEntryRecord> records, ReadLimits limits) {
        long bytes = 0;
        long packed = 0;
        for (ZipEntryRecord record : records) {
            if (lie(record, limits).isPresent()) {
                // Told by itself; what it claims says nothing of the rest.
                continue;
            }
            bytes = Math.addExact(Math.min(bytes, Long.MAX_VALUE >> 1), Math.min(record.bytes(), Long.MAX_VALUE >> 2));
            packed += Math.min(record.packedBytes(), Long.MAX_VALUE >> 20);
        }
        if (bytes > limits.unpackedBytes()) {
            return Optional.of(PackageWording.UNPACKS_TOO_LARGE.say(Facts.of(BYTES, bytes).and(MOST_BYTES, limits.unpackedBytes())));
        }
        if (bytes > ReadLimits.RATIO_FLOOR && bytes / limits.ratio() > packed) {
            return Optional.of(PackageWording.UNPACKS_TOO_MUCH.say(Facts.of(MOST, limits.ratio())));
        }
        return overlap(records);
    }

    /** Why the size that an entry claims cannot be true, or is more than is read at all; completes “The file …”. */
    private static Optional<Phrase> lie(ZipEntryRecord record, ReadLimits limits) {
        if (record.bytes() > limits.unpackedBytes()) {
            return Optional.of(PackageWording.CLAIMS_TOO_MUCH.say(Facts.of(BYTES, record.bytes())));
        }
        boolean stored = record.method() == 0 && !record.isEncrypted() && record.bytes() != record.packedBytes();
        boolean deflated = record.method() == 8 && record.bytes() / MOST_DEFLATED > record.packedBytes();
        return stored || deflated ? Optional.of(PackageWording.CLAIMS_FALSELY.say()) : Optional.empty();
    }

    private static Optional<Phrase> overlap(List<ZipEntryRecord> records) {
        List<ZipEntryRecord> byOffset = new ArrayList<>(records);
        byOffset.sort(Comparator.comparingLong(ZipEntryRecord::offset));
        long end = 0;
        for (ZipEntryRecord record : byOffset) {
            if (record.offset() < end) {
                return Optional.of(PackageWording.OVERLAPS.say());
            }
            end = record.offset() + LOCAL_HEADER_BYTES + record.nameBytes() + record.packedBytes();
        }
        return Optional.empty();
    }

    /** A name that begins at the top of a disk, and with no share's name. */
    private static final Pattern ROOTED = Pattern.compile("/[^/\\\\]|\\\\[^/\\\\]");

    /** Sorts the records into files, folders and faults. */
    private static final class Sorting {
        private final Map<String, SourceEntry> files = new HashMap<>();
        private final List<SourceEntry> order = new ArrayList<>();
        private final Set<String> folders = new HashSet<>();
        private final List<PackageFault> faults = new ArrayList<>();
        private final ReadLimits limits;
        private final DepthGuard depth;
        private final long end;

        /** @param end where the contents of all entries have to have ended */
        Sorting(ReadLimits limits, long end) {
            this.limits = limits;
            this.end = end;
            this.depth = new DepthGuard(limits, faults);
        }

        SourceListing sort(List<ZipEntryRecord> records) {
            List<ZipEntryRecord> rooted = records.stream().filter(record -> ROOTED.matcher(record.name()).lookingAt()).toList();
            // Some packers write every name from the top of a disk: what is in the archive is plain all the same.
            if (!rooted.isEmpty() && rooted.size() == records.size()) {
                faults.add(unsafe(rooted.get(0).name(), PackageWording.ALL_ABSOLUTE.say(Facts.of(COUNT, rooted.size()))));
                records.stream().map(record -> record.named(record.name().replaceFirst("^[/\\\\]+", ""))).forEach(this::take);
            } else {
                records.forEach(this::take);
            }
            Set<String> implied = new HashSet<>(folders);
            order.forEach(file -> SourceTops.parents(file.path(), implied));
            List<SourceEntry> kept = new ArrayList<>();
            for (SourceEntry entry : order) {
                if (implied.contains(entry.path())) {
                    faults.add(unsafe(entry.path(), PackageWording.FOLDER_OF_SAME_NAME.say()));
                } else {
                    kept.add(entry);
                }
            }
            return new SourceListing(false, Optional.empty(), kept, List.copyOf(folders), faults);
        }

        private void take(ZipEntryRecord record) {
            EntryPath path = EntryPath.read(record.name());
            if (path instanceof EntryPath.Unsafe unsafe) {
                faults.add(unsafe(record.name(), unsafe.what()));
                return;
            }
            String safe = ((EntryPath.Safe) path).path();
            if (safe.isEmpty()) {
                if (record.kind() == Kind.FILE) {
                    faults.add(unsafe(record.name(), PackageWording.NAMELESS.say()));
                }
                return;
            }
            if (!depth.admits(safe, record.kind() == Kind.FOLDER)) {
                return;
            }
            boolean beyond = record.kind() == Kind.FILE
                    && record.packedBytes() > end - record.offset() - LOCAL_HEADER_BYTES - record.nameBytes();
            Optional<Phrase> lie = record.kind() != Kind.FILE ? Optional.empty()
                    : lie(record, limits).or(() -> beyond ? Optional.of(PackageWording.ENDS_BEYOND.say()) : Optional.empty());
            if (lie.isPresent()) {
                faults.add(PackageFault.of(Code.PACKAGE_UNREADABLE, safe, lie.get()));
                return;
            }
            switch (record.kind()) {
                case FOLDER -> folders.add(safe);
                case SYMLINK -> faults.add(PackageFault.shortcut(safe));
                case OTHER -> faults.add(unsafe(safe, PackageWording.DEVICE_ENTRY.say()));
                case FILE -> file(record, safe);
            }
        }

        private void file(ZipEntryRecord record, String safe) {
            SourceEntry entry = new SourceEntry(safe, record.bytes(), record.time(), Optional.empty(), false, record.crc() | 1L << 32,
                    record);
            if (files.putIfAbsent(safe, entry) == null) {
                order.add(entry);
            } else {
                faults.add(unsafe(safe, PackageWording.TWICE.say()));
            }
        }

        private static PackageFault unsafe(String path, Phrase what) {
            return PackageFault.of(Code.PACKAGE_UNSAFE_ENTRY, path, what);
        }
    }

    @Override
    public Optional<String> handle(SourceEntry entry) {
        ZipEntryRecord record = (ZipEntryRecord) entry.handle();
        return Optional
                .of(record.offset() + " " + record.packedBytes() + " " + record.method() + " " + record.flags() + " " + record.crc());
    }

    @Override
    public SourceEntry entry(FileIndex.Line file) throws ContentUnavailable {
        Matcher handle = HANDLE.matcher(file.handle());
        if (!handle.matches()) {
            throw new ContentUnavailable(PackageWording.ELSEWHERE.say());
        }
        ZipEntryRecord record = new ZipEntryRecord(file.path(), Integer.parseInt(handle.group(4)), Integer.parseInt(handle.group(3)),
                Long.parseLong(handle.group(5)), Long.parseLong(handle.group(2)), file.bytes(), Long.parseLong(handle.group(1)), 0,
                Kind.FILE,
                Optional.empty(), new byte[0]);
        return new SourceEntry(file.path(), file.bytes(), Optional.empty(), Optional.empty(), false, record.crc() | 1L << 32, record);
    }

    @Override
    public InputStream open(SourceEntry entry) throws IOException {
        ZipEntryRecord record = (ZipEntryRecord) entry.handle();
        if (record.isEncrypted()) {
            throw new ContentUnavailable(PackageWording.ENCRYPTED.say());
        }
        ByteBuffer header = ByteBuffer.allocate(LOCAL_HEADER_BYTES).order(ByteOrder.LITTLE_ENDIAN);
        while (header.hasRemaining() && file.read(header, record.offset() + header.position()) >= 0) {
            // Until the header is complete or the file ends.
        }
        if (header.hasRemaining() || header.getInt(0) != LOCAL_HEADER) {
            throw new ContentUnavailable(PackageWording.ELSEWHERE.say());
        }
        long start = record.offset() + LOCAL_HEADER_BYTES + (header.getShort(26) & 0xFFFF) + (header.getShort(28) & 0xFFFF);
        InputStream packed = new BufferedInputStream(new ChannelSlice(file, start, record.packedBytes()), 1 << 16);
        return new CheckedContent(unpacked(record, packed), record.bytes(), record.crc());
    }

    private static InputStream unpacked(ZipEntryRecord record, InputStream packed) throws IOException {
        return switch (record.method()) {
            case 0 -> packed;
            case 8 -> new InflaterInputStream(packed, new Inflater(true), 1 << 16) {
                @Override
                public void close() throws IOException {
                    inf.end();
                    super.close();
                }
            };
            case 9 -> new Deflate64CompressorInputStream(packed);
            case 12 -> bzip2(packed);
            default -> throw new ContentUnavailable(PackageWording.METHOD.say(Facts.of(NUMBER, record.method())));
        };
    }

    private static InputStream bzip2(InputStream packed) throws ContentUnavailable {
        try {
            return new BZip2CompressorInputStream(packed);
        } catch (IOException damaged) {
            throw new ContentUnavailable(PackageWording.DAMAGED.say());
        }
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
