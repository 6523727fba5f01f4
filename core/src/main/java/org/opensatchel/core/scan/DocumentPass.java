package org.opensatchel.core.scan;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.io.SequenceInputStream;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.apache.commons.io.input.BoundedInputStream;
import org.apache.commons.io.input.CloseShieldInputStream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.formats.Formats;
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
import org.opensatchel.formats.timeline.TimelineReader;
/** Reads what documents hold, by whatever knows how: a profile, the reader of their format, the kit's own rules, or the path finder. */
final class DocumentPass {

    /** Of a file of no known format only so much is looked through for paths. */
    private static final long MOST_LOOKED_THROUGH = 1L << 30;
    private static final long LONG_DOCUMENT = 4L << 20;

    private final ReadLimits limits;
    private final CustomLinks custom;
    private final Profiles profiles;
    /** Documents longer than this are read one at a time: what a reader holds of one may be several times its length. */
    private final ReentrantLock large = new ReentrantLock();

    /**
     * @param custom the kit's own rules for files of no known format
     * @param profiles what is known of programs' documents
     */
    DocumentPass(ReadLimits limits, CustomLinks custom, Profiles profiles) {
        this.limits = limits;
        this.custom = custom;
        this.profiles = profiles;
    }

    /**
     * Reads a file, if it is a document.
     *
     * @param head its beginning, which was read of it already
     * @param content the rest of it, which is not closed
     * @param linksFull whether there is no room for more links
     * @param bytesFull whether no more documents may be held whole
     * @param standIn whether it only stands for another file: then nothing but a rule of the kit's own reads it
     */
    void read(ProjectFile file, byte[] head, InputStream content, boolean linksFull, boolean bytesFull, boolean standIn, ScanResult result)
            throws IOException {
        ProjectPath path = file.path();
        Head beginning = new Head(head);
        Optional<Formats.Document> known = standIn ? Optional.empty() : Formats.document(path.extension(), beginning);
        boolean ruled = custom.read(path);
        boolean described = !standIn && !profiles.isEmpty() && profiles.mayDescribe(path, beginning);
        boolean searched = !standIn && !described && known.isEmpty() && !ruled && PathFinder.reads(path.text(), head);
        if (!described && known.isEmpty() && !ruled && !searched) {
            return;
        }
        LinkSink sink = new LinkSink(path, limits.linkText(), Formats.ENDINGS, linksFull ? LinkSink.Allowance.NOTHING : allowance());
        boolean heavy = file.bytes() > LONG_DOCUMENT;
        // A reader may close what it reads; the rest of the content still has to pass through.
        PushbackInputStream whole = new PushbackInputStream(CloseShieldInputStream.wrap(content), TypeProbe.HEAD_BYTES);
        whole.unread(head);
        if (described) {
            alone(heavy, () -> described(content(path, whole, bytesFull), head, sink, known, ruled, result));
        } else if (searched) {
            result.cutShort = file.bytes() > MOST_LOOKED_THROUGH;
            InputStream bounded = BoundedInputStream.builder().setInputStream(whole).setMaxCount(MOST_LOOKED_THROUGH).get();
            alone(heavy, () -> find(new DocumentContent(path, bounded, limits.documentBytes()), sink, result));
        } else {
            InputStream read = known.isPresent() ? timelines(file, known.get().format(), whole, result) : whole;
            alone(heavy, () -> read(content(path, read, bytesFull), sink, known, ruled, result));
        }
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
            result.failure = ContentScan.PATH_FINDER;
            BrokenReader.tell(ContentScan.PATH_FINDER, broke);
        }
        if (sink.count() > 0 || sink.isOverflowing() || !faults.isEmpty()) {
            result.document = new DocumentLinks(document.path(), ContentScan.PATH_FINDER, sink.links(), faults);
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
            sink.problem(new ReadProblem(ReadProblem.Kind.BROKEN, SourcePosition.WHOLE, ReadWording.NOT_TO_ITS_END.say()));
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
            result.document = new DocumentLinks(path, ContentScan.PATH_FINDER, guesses, List.of(), List.of(), Optional.of(differs.title()));
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
        return known.map(one -> one.format().id()).orElse(ContentScan.KIT_RULES);
    }
}
