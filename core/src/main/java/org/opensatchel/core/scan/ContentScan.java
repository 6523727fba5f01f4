package org.opensatchel.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RandomContent;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.described.Profiles;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.timeline.Timeline;

/**
 * Reads every file once: its beginning for its type, its links if it is a document, its hash if another file could be the
 * same. Of what needs none of these only the beginning is read, unless the source has checksums to be held against.
 */
public final class ContentScan {

    private static final int FEW_FILES = 64;
    private static final long FEW_BYTES = 8L << 20;
    /** Stand where the id of a format does: for files in no known format, and for those that only the kit's own rules know. */
    public static final String PATH_FINDER = "no-known-format";
    public static final String KIT_RULES = "kit-rules";
    private static final String SHORTCUT = ".lnk";

    private final ProjectSource source;
    private final ReadLimits limits;
    private final Predicate<ProjectPath> isDocumentPlace;
    private final Set<Long> wantedSizes;
    private final long maxHashedBytes;
    private final ScanProgress progress;
    private final DocumentPass documents;
    private final MediaPass media;

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
        this.documents = new DocumentPass(limits, custom, profiles);
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
        BitSet wanted = new SameContents(source).among(files);
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
        ReadProblem problem = new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE, why);
        return new DocumentLinks(document.document(), document.format(), List.of(),
                List.of(new DocumentLinks.Fault(document.document(), problem)));
    }

    private ScanResult one(ProjectFile file, boolean wanted, boolean hashed, boolean heard, DocumentSums sums, DocumentSums.Held before)
            throws IOException {
        ScanResult result = new ScanResult();
        result.unhashed = wanted && !hashed;
        try (InputStream raw = source.open(file.entry()); MeteredContent content = new MeteredContent(raw, hashed)) {
            byte[] head = content.readNBytes(TypeProbe.HEAD_BYTES);
            String extension = file.path().extension();
            boolean standIn = StandInProbe.isOne(file.path().name(), extension, file.bytes(), head);
            boolean isMedia = !standIn && MediaReaders.mayBe(extension, head);
            // Some are documents as well: it is kept while their links are read.
            KeptContent kept = isMedia && !(raw instanceof RandomContent) ? content.keep(head) : null;
            if (head.length > 0 && isDocumentPlace.test(file.path())) {
                documents.read(file, head, content, sums.isLinksFull(before), sums.isBytesFull(before), standIn, result);
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
}
