package org.opensatchel.formats.zip;

import static org.opensatchel.base.fact.FactName.MOST;

import java.io.IOException;
import java.io.InputStream;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.zip.ZipException;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveInputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.apache.commons.io.input.BoundedInputStream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Growth;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * A ZIP package that is a document (APPNOTE 6.3): the names of all its members, and the contents of those that are
 * asked for. Nothing is written anywhere; what is kept is bounded, and so is what is unpacked for it.
 */
public final class Members {

    /** Packages up to this size are read by their directory; longer ones in one pass, as their members come. */
    private static final int IN_MEMORY = 48 << 20;
    /** Stored, deflated, deflate64 and bzip2: what needs no library that is not here. */
    private static final Set<Integer> METHODS = Set.of(0, 8, 9, 12);
    private static final int MOST_MEMBERS = 200_000;
    private static final long MOST_CLAIMED = Long.MAX_VALUE >> 20;
    private static final long MOST_KEPT = 64L << 20;

    private final Set<String> names = new HashSet<>();
    private final Set<String> folders = new HashSet<>();
    private final Map<String, String> byKey = new HashMap<>();
    private final Map<String, byte[]> contents = new LinkedHashMap<>();
    private final Map<String, Phrase> unreadable = new LinkedHashMap<>();
    private long kept;
    private long passed;

    private Members() {
    }

    /**
     * Reads a package.
     *
     * @param wanted which members' contents are kept
     * @throws Unreadable when it is no ZIP archive, is locked as a whole, or holds more than is read
     */
    public static Members read(DocumentContent document, Predicate<String> wanted) throws IOException, Unreadable {
        Members members = new Members();
        byte[] start = document.start(IN_MEMORY + 1);
        try {
            if (start.length <= IN_MEMORY) {
                members.byDirectory(start, wanted);
            } else {
                members.inOnePass(new java.io.SequenceInputStream(new java.io.ByteArrayInputStream(start), document.stream()), wanted);
            }
        } catch (IOException | IllegalArgumentException broken) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NO_PACKAGE);
        } catch (LinkageError unknown) {
            // In one pass the library unpacks what it meets, and for some methods wants a library that is not here.
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.UNSUPPORTED, SourcePosition.WHOLE, ReadWording.MEMBER_METHOD.say()));
        }
        return members;
    }

    private void byDirectory(byte[] bytes, Predicate<String> wanted) throws IOException, Unreadable {
        try (ZipFile zip = ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
            Enumeration<ZipArchiveEntry> entries = zip.getEntries();
            requireReal(
                    Collections.list(zip.getEntries()).stream().mapToLong(entry -> Math.min(Math.max(0, entry.getSize()), MOST_CLAIMED))
                            .sum(),
                    bytes.length);
            for (ZipArchiveEntry entry : Collections.list(entries)) {
                String name = name(entry);
                if (!entry.isDirectory() && wanted.test(name) && !contents.containsKey(name)) {
                    if (METHODS.contains(entry.getMethod()) && zip.canReadEntryData(entry)) {
                        try (InputStream content = zip.getInputStream(entry)) {
                            keep(name, content);
                        }
                    } else {
                        unreadable.put(name, ReadWording.LOCKED_MEMBER.say());
                    }
                }
                add(name, entry.isDirectory());
            }
        }
    }

    private void inOnePass(InputStream stream, Predicate<String> wanted) throws IOException, Unreadable {
        try (ZipArchiveInputStream zip = new ZipArchiveInputStream(stream, "UTF-8", true, true)) {
            for (ZipArchiveEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String name = name(entry);
                if (!entry.isDirectory() && wanted.test(name) && !contents.containsKey(name)) {
                    if (METHODS.contains(entry.getMethod()) && zip.canReadEntryData(entry)) {
                        keep(name, zip);
                    } else {
                        unreadable.put(name, ReadWording.LOCKED_MEMBER.say());
                    }
                } else if (METHODS.contains(entry.getMethod()) && zip.canReadEntryData(entry)) {
                    // What is passed over is unpacked all the same, since only that tells where it ends.
                    pass(zip);
                }
                add(name, entry.isDirectory());
            }
        }
    }

    private void pass(ZipArchiveInputStream zip) throws IOException, Unreadable {
        byte[] block = new byte[1 << 16];
        try {
            for (int read = zip.read(block); read >= 0; read = zip.read(block)) {
                passed += read;
                requireReal(passed, zip.getBytesRead());
            }
        } catch (ZipException broken) {
            // It is not asked for; the next one is looked for where this should have ended.
        }
    }

    private static void requireReal(long unpacked, long packed) throws Unreadable {
        if (Growth.isTooMuch(unpacked, packed)) {
            throw new Unreadable(
                    new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE,
                            ReadWording.MEMBERS_TOO_MUCH.say(Facts.of(MOST, Growth.MOST))));
        }
    }

    private void add(String name, boolean folder) throws Unreadable {
        if (names.size() + folders.size() >= MOST_MEMBERS) {
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE, ReadWording.TOO_MANY_MEMBERS.say()));
        }
        (folder ? folders : names).add(name);
        byKey.putIfAbsent(NameFolding.folded(name), name);
        for (int slash = name.lastIndexOf('/'); slash > 0
                && folders.add(name.substring(0, slash)); slash = name.lastIndexOf('/', slash - 1)) {
            // Every folder on the way is one, whether it has an entry or not.
        }
    }

    private void keep(String name, InputStream content) throws IOException, Unreadable {
        long left = MOST_KEPT - kept;
        BoundedInputStream bounded = BoundedInputStream.builder().setInputStream(content).setMaxCount(left + 1).setPropagateClose(false)
                .get();
        byte[] bytes;
        try {
            bytes = bounded.readAllBytes();
        } catch (IOException broken) {
            unreadable.put(name, ReadWording.NOT_UNPACKED.say());
            return;
        }
        if (bytes.length > left) {
            throw Unreadable.tooLarge(MOST_KEPT);
        }
        kept += bytes.length;
        contents.put(name, bytes);
    }

    private static String name(ZipArchiveEntry entry) {
        String name = entry.getName().replace('\\', '/');
        while (name.startsWith("/") || name.startsWith("./")) {
            name = name.substring(name.indexOf('/') + 1);
        }
        return name.endsWith("/") ? name.substring(0, name.length() - 1) : name;
    }

    public Set<String> names() {
        return Collections.unmodifiableSet(names);
    }

    /** Whether there is a member, or a folder of members, under exactly this name. */
    public boolean has(String name) {
        return name.isEmpty() || names.contains(name) || folders.contains(name);
    }

    /** Whether there is one when letter case is overlooked. */
    public boolean hasAlike(String name) {
        return has(name) || byKey.containsKey(NameFolding.folded(name));
    }

    /** The one member whose name is the same when letter case is overlooked. */
    public Optional<String> alike(String name) {
        return Optional.ofNullable(byKey.get(NameFolding.folded(name)));
    }

    /** The kept contents in the order of the package. */
    public Map<String, byte[]> contents() {
        return Collections.unmodifiableMap(contents);
    }

    public Optional<byte[]> content(String name) {
        return Optional.ofNullable(contents.get(name));
    }

    /** Members that were asked for and cannot be read, with the reason. */
    public Map<String, Phrase> unreadable() {
        return Collections.unmodifiableMap(unreadable);
    }
}
