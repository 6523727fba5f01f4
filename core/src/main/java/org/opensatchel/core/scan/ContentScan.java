package org.opensatchel.core.scan;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.io.SequenceInputStream;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.zip.CRC32C;
import org.apache.commons.io.input.BoundedInputStream;
import org.apache.commons.io.input.CloseShieldInputStream;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.Place;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RandomContent;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.described.Profiles;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.guessed.PathFinder;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.timeline.Timeline;
import org.opensatchel.formats.timeline.TimelineReader;

/**
 * Reads every file once: its beginning for its type, its links if it is a document, its hash if another file could be the
 * same. Of what needs none of these only the beginning is read, unless the source has checksums to be held against.
 */
public final class ContentScan {

    /** Of a file of no known format only so much is looked through for paths. */
    private static final long MOST_LOOKED_THROUGH = 1L << 30;
    private static final int FEW_FILES = 64;
    private static final long FEW_BYTES = 8L << 20;
    /** Stand where the id of a format does: for files in no known format, and for those that only the kit's own rules know. */
    public static final String PATH_FINDER = "no-known-format";
    public static final String KIT_RULES = "kit-rules";
    private static final String SHORTCUT = ".lnk";
    /** Of shorter files the whole is read as soon as its beginning. */
    private static final long WORTH_A_LOOK = 8L << 10;
    private static final long LONG_DOCUMENT = 4L << 20;

    private final ProjectSource source;
    private final ReadLimits limits;
    private final Predicate<ProjectPath> isDocumentPlace;
    private final Set<Long> wantedSizes;
    private final long maxHashedBytes;
    private final ScanProgress progress;
    private final CustomLinks custom;
    private final Profiles profiles;
    private final MediaPass media;

    /** Documents longer than this are read one at a time: what a reader holds of one may be several times its length. */
    private final ReentrantLock large = new ReentrantLock();

    /** Is told how far the scan has come. */
    public interface ScanProgress {
        void scanned(long files, long bytes);
    }

    /**
     * @param isDocumentPlace whether documents are read at a path; a program's own folder is none
     * @param wantedSizes sizes whose files are always hashed, like those of starter files
     * @param maxHashedBytes larger files are not hashed
     * @param custom the kit's own rules for files of no known format
     * @param profiles what is known of programs' documents
     * @param listening which sounds are measured
     */
    public ContentScan(ProjectSource source, ReadLimits limits, Predicate<ProjectPath> isDocumentPlace, Set<Long> wantedSizes,
            long maxHashedBytes, ScanProgress progress,
            CustomLinks custom, Profiles profiles, Listening listening) {
        this.source = source;
        this.limits = limits;
        this.isDocumentPlace = isDocumentPlace;
        this.wantedSizes = wantedSizes;
        this.maxHashedBytes = maxHashedBytes;
        this.progress = progress;
        this.custom = custom;
        this.profiles = profiles;
        this.media = new MediaPass(source, listening);
    }

    /** Reads all files, on two threads where there is enough to read; what is told does not depend on how many. */
    public Scan scan(ProjectTree tree) throws IOException {
        List<ProjectFile> files = new ArrayList<>();
        Map<ProjectPath, FileFacts> facts = new HashMap<>();
        Map<ProjectPath, String> failures = new LinkedHashMap<>();
        for (ProjectFile file : tree.ownFiles()) {
            if (source.hasContent(file.entry())) {
                files.add(file);
            } else if (isNamedShortcut(file.path())) {
                facts.put(file.path(), FileFacts.SHORTCUT);
            } else {
                media.ofParts(file, failures).ifPresent(found -> facts.put(file.path(), found));
            }
        }
        BitSet wanted = alike(files);
        for (int i = 0; i < files.size(); i++) {
            if (wantedSizes.contains(files.get(i).bytes())) {
                wanted.set(i);
            }
        }
        ScanResult[] results = new ScanResult[files.size()];
        Progress told = new Progress(tree.count() - files.size());
        boolean much = files.size() > FEW_FILES || files.stream().mapToLong(ProjectFile::bytes).sum() > FEW_BYTES;
        DocumentSums sums = new DocumentSums(limits.sums());
        BitSet hashed = bounded(files, wanted, maxHashedBytes);
        BitSet heard = bounded(files, media.heard(files), Long.MAX_VALUE);
        Workers.run(much ? Workers.most() : 1, files.size(), i -> {
            ProjectFile file = files.get(i);
            DocumentSums.Held held = DocumentSums.Held.NOTHING;
            try {
                results[i] = one(file, wanted.get(i), hashed.get(i), heard.get(i), sums, sums.before(i));
                if (heard.get(i)) {
                    media.listen(file, results[i]);
                }
                held = results[i].held;
            } finally {
                sums.add(i, held);
            }
            told.add(file.bytes());
        });
        return merged(files, results, facts, failures, sums);
    }

    /** Which files are read to their end of those for which that matters: none that is too long, and in all only so many bytes. */
    private BitSet bounded(List<ProjectFile> files, BitSet wanted, long most) {
        BitSet out = new BitSet();
        long left = limits.sums().hashedBytes();
        for (int i = 0; i < files.size(); i++) {
            ProjectFile file = files.get(i);
            if (wanted.get(i) && file.bytes() <= most && file.bytes() <= left) {
                left -= file.bytes();
                out.set(i);
            }
        }
        return out;
    }

    /** Of a file without content its name alone can say that it only stands for another. */
    private static boolean isNamedShortcut(ProjectPath path) {
        String text = path.text();
        return (text.endsWith("k") || text.endsWith("K"))
                && text.regionMatches(true, text.length() - SHORTCUT.length(), SHORTCUT, 0, SHORTCUT.length());
    }

    private final class Progress {
        private long files;
        private long bytes;

        Progress(long passedOver) {
            files = passedOver;
        }

        synchronized void add(long more) {
            bytes += more;
            progress.scanned(++files, bytes);
        }
    }

    private static Scan merged(List<ProjectFile> files, ScanResult[] results, Map<ProjectPath, FileFacts> facts,
            Map<ProjectPath, String> failures, DocumentSums sums) {
        List<DocumentLinks> documents = new ArrayList<>();
        Map<ProjectPath, Phrase> damaged = new TreeMap<>();
        Set<String> notChecked = new TreeSet<>();
        List<Timeline> timelines = new ArrayList<>();
        DocumentSums.Held before = DocumentSums.Held.NOTHING;
        for (int i = 0; i < results.length; i++) {
            ProjectPath path = files.get(i).path();
            ScanResult result = results[i];
            if (result == null) {
                continue;
            }
            if (result.damage != null) {
                damaged.put(path, result.damage);
            } else {
                if (!result.facts.equals(FileFacts.NONE)) {
                    facts.put(path, result.facts);
                }
                if (result.document != null) {
                    documents.add(sums.refusal(before, result.held).map(why -> notRead(result.document, why)).orElse(result.document));
                }
                before = before.and(result.held);
                timelines.addAll(result.timelines);
            }
            if (result.failure != null) {
                failures.put(path, result.failure);
            }
            if (result.unhashed) {
                notChecked.add("hashes");
            }
            if (result.cutShort) {
                notChecked.add("guesses");
            }
        }
        documents.sort(Comparator.comparing(DocumentLinks::document));
        timelines.sort(Comparator.comparing(Timeline::document).thenComparing(Timeline::at));
        return new Scan(facts, documents, damaged, failures, timelines, notChecked);
    }

    /** Of a project that holds more than can be looked up in the memory there is, the documents after the limit are told as not read. */
    private static DocumentLinks notRead(DocumentLinks document, Phrase why) {
        ReadProblem problem = new ReadProblem(ReadProblem.Kind.TOO_LARGE, Place.WHOLE, why);
        return new DocumentLinks(document.document(), document.format(), List.of(),
                List.of(new DocumentLinks.Fault(document.document(), problem)));
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
    private BitSet alike(List<ProjectFile> files) throws IOException {
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

    private ScanResult one(ProjectFile file, boolean wanted, boolean hashed, boolean heard, DocumentSums sums, DocumentSums.Held before)
            throws IOException {
        ScanResult result = new ScanResult();
        LinkSink sink = new LinkSink(file.path(), limits.linkText(), Formats.ENDINGS,
                sums.isLinksFull(before) ? LinkSink.Allowance.NOTHING : allowance());
        result.unhashed = wanted && !hashed;
        boolean heavy = file.bytes() > LONG_DOCUMENT;
        try (InputStream raw = source.open(file.entry()); MeteredContent content = new MeteredContent(raw, hashed)) {
            byte[] head = content.readNBytes(TypeProbe.HEAD_BYTES);
            String extension = file.path().extension();
            Head beginning = new Head(head);
            boolean standIn = StandInProbe.isOne(file.path().name(), extension, file.bytes(), head);
            boolean isMedia = !standIn && MediaReaders.mayBe(extension, head);
            // Some are documents as well: it is kept while their links are read.
            KeptContent kept = isMedia && !(raw instanceof RandomContent) ? content.keep(head) : null;
            Optional<Formats.Document> known = head.length == 0 || standIn || !isDocumentPlace.test(file.path()) ? Optional.empty()
                    : Formats.document(extension, beginning);
            boolean ruled = head.length > 0 && isDocumentPlace.test(file.path()) && custom.read(file.path());
            boolean described = head.length > 0 && !standIn && !profiles.isEmpty() && isDocumentPlace.test(file.path())
                    && profiles.mayDescribe(file.path(), beginning);
            if (described) {
                PushbackInputStream whole = new PushbackInputStream(CloseShieldInputStream.wrap(content), TypeProbe.HEAD_BYTES);
                whole.unread(head);
                alone(heavy, () -> described(content(file.path(), whole, sums.isBytesFull(before)), head, sink, known, ruled, result));
            } else if (known.isPresent() || ruled) {
                // A reader may close what it reads; the rest of the content still has to pass through here.
                PushbackInputStream whole = new PushbackInputStream(CloseShieldInputStream.wrap(content), TypeProbe.HEAD_BYTES);
                whole.unread(head);
                InputStream read = known.isPresent() ? timelines(file, known.get().format(), whole, result) : whole;
                alone(heavy, () -> read(content(file.path(), read, sums.isBytesFull(before)), sink, known, ruled, result));
            } else if (!standIn && isDocumentPlace.test(file.path()) && PathFinder.reads(file.path().text(), head)) {
                PushbackInputStream whole = new PushbackInputStream(CloseShieldInputStream.wrap(content), TypeProbe.HEAD_BYTES);
                whole.unread(head);
                result.cutShort = file.bytes() > MOST_LOOKED_THROUGH;
                InputStream bounded = BoundedInputStream.builder().setInputStream(whole).setMaxCount(MOST_LOOKED_THROUGH).get();
                alone(heavy, () -> find(new DocumentContent(file.path(), bounded, limits.documentBytes()), sink, result));
            }
            boolean checked = file.entry().checksum() != 0;
            boolean zeros = content.finish(hashed || checked, file.bytes());
            result.facts = new FileFacts(content.sha256(), standIn ? Optional.empty() : TypeProbe.lie(extension, head),
                    zeros, standIn, isMedia && !zeros ? MediaPass.facts(file, raw, kept, result) : Optional.empty(), Optional.empty());
            result.samples = heard && result.facts.media().isPresent() ? MediaLook.samples(file, raw, kept) : Optional.empty();
        } catch (ContentUnavailable unavailable) {
            result.damage = unavailable.what();
        }
        return result;
    }

    /** The timelines of a document are read of all its bytes at once, which its reader of links gets to read again. */
    private InputStream timelines(ProjectFile file, Format format, InputStream content, ScanResult result) throws IOException {
        Optional<TimelineReader> reader = format.timelines().filter(one -> file.bytes() <= one.mostBytes());
        if (reader.isEmpty()) {
            return content;
        }
        byte[] bytes = content.readNBytes(reader.get().mostBytes());
        try {
            alone(file.bytes() > LONG_DOCUMENT, () -> result.timelines = reader.get().read(file.path(), bytes));
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            result.failure = format.id();
            BrokenReader.tell(format.id(), broke);
        }
        return new SequenceInputStream(new ByteArrayInputStream(bytes), content);
    }

    private LinkSink.Allowance allowance() {
        LinkSink.Allowance usual = LinkSink.Allowance.ONE_DOCUMENT;
        return new LinkSink.Allowance(Math.min(usual.links(), limits.sums().links()), Math.min(usual.text(), limits.sums().linkText()));
    }

    private DocumentContent content(ProjectPath path, InputStream stream, boolean full) {
        return full ? DocumentContent.streamed(path, stream, limits.documentBytes())
                : new DocumentContent(path, stream, limits.documentBytes());
    }

    /** What a document holds; of one whose links are let go, that it names any. */
    private static DocumentSums.Held held(LinkSink sink, long bytes) {
        return new DocumentSums.Held(sink.isOverflowing() ? Math.max(1, sink.count()) : sink.count(), sink.textLength(), bytes);
    }

    private interface Reading {
        void read() throws IOException;
    }

    private void alone(boolean needed, Reading reading) throws IOException {
        if (needed) {
            large.lock();
        }
        try {
            reading.read();
        } finally {
            if (needed) {
                large.unlock();
            }
        }
    }

    /** What is no document of a known format is one only when something that looks like a link is found in it. */
    private void find(DocumentContent document, LinkSink sink, ScanResult result) throws IOException {
        List<DocumentLinks.Fault> faults = List.of();
        try {
            PathFinder.read(document, sink);
        } catch (Unreadable unreadable) {
            faults = List.of(new DocumentLinks.Fault(document.path(), unreadable.problem()));
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            result.failure = PATH_FINDER;
            BrokenReader.tell(PATH_FINDER, broke);
        }
        if (sink.count() > 0 || sink.isOverflowing() || !faults.isEmpty()) {
            result.document = new DocumentLinks(document.path(), PATH_FINDER, sink.links(), faults);
            result.held = held(sink, 0);
        }
    }

    /** The one place where a reader that breaks costs its own document only. */
    private void read(DocumentContent document, LinkSink sink, Optional<Formats.Document> known, boolean ruled, ScanResult result)
            throws IOException {
        try {
            if (ruled) {
                ruled(document, known, sink);
            } else {
                known.orElseThrow().reader().read(document, sink);
            }
        } catch (Unreadable unreadable) {
            sink.problem(unreadable.problem());
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            result.failure = format(known);
            BrokenReader.tell(result.failure, broke);
            sink.problem(new ReadProblem(ReadProblem.Kind.BROKEN, Place.WHOLE, ReadWording.NOT_TO_ITS_END.say()));
        }
        result.document = new DocumentLinks(document.path(), format(known), sink.links(), sink.problems());
        result.held = held(sink, document.bytesInMemory());
    }

    /** A document that a profile may describe is read by that, and else as if there was none. */
    private void described(DocumentContent document, byte[] head, LinkSink sink, Optional<Formats.Document> known, boolean ruled,
            ScanResult result)
            throws IOException {
        ProjectPath path = document.path();
        Profiles.Told told;
        byte[] bytes;
        try {
            bytes = document.bytes();
            told = profiles.read(path, bytes, sink);
        } catch (Unreadable unreadable) {
            sink.problem(unreadable.problem());
            keep(new DocumentLinks(path, profiles.title(path), sink.links(), sink.problems()), document, sink, result);
            return;
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            result.failure = profiles.title(path);
            BrokenReader.tell("described documents", broke);
            return;
        }
        if (told instanceof Profiles.Told.Read read) {
            keep(new DocumentLinks(path, read.title(), sink.links(), sink.problems(), read.saved(), Optional.empty()), document, sink,
                    result);
            return;
        }
        DocumentContent again = new DocumentContent(path, new ByteArrayInputStream(bytes), limits.documentBytes());
        if (told instanceof Profiles.Told.Differs differs) {
            find(again, sink, result);
            List<Link> guesses = result.document == null ? List.of() : result.document.links();
            result.document = new DocumentLinks(path, PATH_FINDER, guesses, List.of(), List.of(), Optional.of(differs.title()));
        } else if (known.isPresent() || ruled) {
            read(again, sink, known, ruled, result);
        } else if (PathFinder.reads(path.text(), head)) {
            find(again, sink, result);
        }
    }

    private static void keep(DocumentLinks links, DocumentContent document, LinkSink sink, ScanResult result) {
        result.document = links;
        result.held = held(sink, document.bytesInMemory());
    }

    /** The kit's rules read beside the format's own reader, where there is one. */
    private void ruled(DocumentContent document, Optional<Formats.Document> known, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        if (known.isPresent()) {
            known.get().reader().read(new DocumentContent(document.path(), new ByteArrayInputStream(bytes), limits.documentBytes()), sink);
        }
        custom.read(document.path(), bytes, sink);
    }

    private static String format(Optional<Formats.Document> known) {
        return known.map(one -> one.format().id()).orElse(KIT_RULES);
    }
}
