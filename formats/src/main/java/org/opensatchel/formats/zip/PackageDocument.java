package org.opensatchel.formats.zip;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.function.Predicate;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.Unreadable;

/** A package on its way through a reader: its members, each read on its own, so that one that is broken costs itself only. */
public final class PackageDocument {

    private final DocumentContent document;
    private final LinkSink sink;
    private final Members members;
    private final boolean caseMatters;

    private PackageDocument(DocumentContent document, LinkSink sink, Members members, boolean caseMatters) {
        this.document = document;
        this.sink = sink;
        this.members = members;
        this.caseMatters = caseMatters;
    }

    /**
     * Opens a package.
     *
     * @param wanted which members are read
     * @param caseMatters whether names in this kind of package differ by letter case
     */
    public static PackageDocument open(DocumentContent document, LinkSink sink, Predicate<String> wanted, boolean caseMatters)
            throws IOException, Unreadable {
        PackageDocument opened = new PackageDocument(document, sink, Members.read(document, wanted), caseMatters);
        opened.members.unreadable()
                .forEach(
                        (name, what) -> opened.sinkFor(name).problem(new ReadProblem(ReadProblem.Kind.BROKEN, SourcePosition.WHOLE, what)));
        return opened;
    }

    public Members members() {
        return members;
    }

    public MemberSink sinkFor(String member) {
        return new MemberSink(sink, members, member, caseMatters);
    }

    /** A sink for a member whose links start from another member's folder. */
    public MemberSink sinkFor(String member, String source) {
        return new MemberSink(sink, members, member, source, caseMatters);
    }

    /** Reads every kept member of a name with a reader of its own; empty ones hold nothing to read. */
    public void read(Predicate<String> names, LinkReader reader) throws IOException {
        read(names, (content, into) -> reader.read(content, into));
    }

    /** Takes a member's content and the sink for its links. */
    public interface MemberReader {
        void read(DocumentContent content, MemberSink into) throws IOException, Unreadable;
    }

    /** Reads every kept member of a name; one that cannot be read is told, and costs no other. */
    public void read(Predicate<String> names, MemberReader reader) throws IOException {
        for (var member : members.contents().entrySet()) {
            if (names.test(member.getKey()) && member.getValue().length > 0) {
                MemberSink into = sinkFor(member.getKey());
                try {
                    reader.read(new DocumentContent(document.path(), new ByteArrayInputStream(member.getValue()), document.limit()), into);
                } catch (Unreadable broken) {
                    into.problem(broken.problem());
                }
            }
        }
    }
}
