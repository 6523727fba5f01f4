package org.opensatchel.formats.guessed;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Leftovers;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.json.JsonScan;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Gunzipped;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.MemberSink;
import org.opensatchel.formats.zip.Members;

/**
 * Finds what look like paths in files of no known format: absolute ones in all forms, and names of media in quotation
 * marks; in text of any encoding, in the values of XML and JSON, in what gzip packed, in members of ZIPs, and in the
 * printable runs of anything else. What it finds is a guess, and is said to be one.
 */
public final class PathFinder {

    /** Notes, tables and programs speak of files without linking them. */
    private static final Set<String> PROSE = Set.of("txt", "text", "csv", "tsv", "log", "rtf", "srt", "vtt", "js", "mjs", "py", "sh", "bat",
            "ps1", "java", "c", "h", "cpp", "ini", "cfg", "class", "pyc", "so", "dll", "exe", "jar", "man", "yml", "yaml", "toml", "md",
            "pyi", "pyo", "rb", "pl", "pm", "go", "rs", "php", "lua", "ts", "tsx", "jsx", "cjs", "cc", "hpp", "cs", "kt", "swift", "sql",
            "properties", "1", "2", "3", "4", "5", "6", "7", "8", "9", "po", "pot", "page", "rst", "adoc", "textile", "org");
    private static final int HEAD = 4_096;
    private static final int MOST_LINKS = 20_000;
    /** Longer XML and JSON is looked through as it is: its values would take many times its bytes. */
    private static final int LONGEST_STRUCTURED = 8 << 20;
    private static final long MOST_UNPACKED = 256L << 20;

    private final LinkSink sink;
    private int found;

    private PathFinder(LinkSink sink) {
        this.sink = sink;
    }

    /** Endings of files that are written for people, in which nothing is looked for. */
    public static Set<String> prose() {
        return PROSE;
    }

    /** Whether a file that no reader knows is looked through: not media, whose marks are their own, and nothing written for people. */
    public static boolean reads(String name, byte[] head) {
        String extension = extension(name);
        FileKind kind = Formats.kind(extension);
        return head.length > 0 && !Passing.is(name) && !Passing.isMap(head) && !kind.isMedia() && kind != FileKind.FONT
                && !PROSE.contains(extension) && !TypeProbe.isMedia(head)
                && !isProgram(new Head(head));
    }

    private static String extension(String name) {
        return ProjectPath.of(name).extension();
    }

    /** Programs hold paths of those who built them: ELF, PE and Mach-O files, Java classes. */
    public static boolean isProgram(Head head) {
        return head.startsWith(0x7F, 'E', 'L', 'F') || head.startsWith('M', 'Z', 0x90) || head.startsWith(0xCA, 0xFE, 0xBA, 0xBE)
                || head.startsWith(0xCF, 0xFA, 0xED, 0xFE) || head.startsWith('!', '<', 'a', 'r', 'c', 'h', '>');
    }

    /**
     * Looks through a file. Few faults in it are the file's, of which nobody knows what it is.
     *
     * @throws Unreadable when it is packed and cannot be unpacked to its end
     */
    public static void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new PathFinder(sink).any(document, true);
    }

    private void any(DocumentContent document, boolean outermost) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek(HEAD);
        Head head = new Head(start.start());
        if (outermost && start.startsWith(0x1F, 0x8B)) {
            packed(start);
        } else if (outermost && head.isZip()) {
            members(start.content());
        } else if ((head.looksLikeJson() || head.looksLikeXml()) && !head.isBinary()) {
            structured(start.content(), head.looksLikeXml());
        } else {
            raw(start.start(), start.content().stream());
        }
    }

    private void packed(DocumentContent.Peek start) throws IOException, Unreadable {
        DocumentContent document = start.content();
        // notes.txt.gz is as much prose as notes.txt.
        if (PROSE.contains(extension(document.path().stem())) || Passing.is(document.path().stem())) {
            return;
        }
        Optional<Head> inside = new Head(start.start()).unpacked();
        if (inside.isEmpty()) {
            // It only begins like something packed.
            return;
        }
        Gunzipped unpacked = new Gunzipped(document.stream(), MOST_UNPACKED);
        try {
            any(new DocumentContent(document.path(), unpacked, document.limit()), false);
        } catch (EOFException ends) {
            if (unpacked.fault().isEmpty()) {
                throw ends;
            }
        }
        try {
            unpacked.finish();
        } catch (Unreadable broken) {
            // An archive of anything may be as long as it likes; of a document the rest would have been read.
            if (unpacked.isBomb() || !inside.get().isBinary()) {
                throw broken;
            }
        }
    }

    private void members(DocumentContent document) throws IOException, Unreadable {
        Members members;
        try {
            members = Members.read(document, name -> {
                FileKind kind = Formats.kind(extension(name));
                return !kind.isMedia() && kind != FileKind.FONT
                        && (!PROSE.contains(extension(name)) || AssignedText.ENDINGS.contains(extension(name)));
            });
        } catch (Unreadable broken) {
            if (broken.problem().kind() == ReadProblem.Kind.TOO_LARGE) {
                throw broken;
            }
            return;
        }
        for (Map.Entry<String, byte[]> member : members.contents().entrySet()) {
            byte[] content = member.getValue();
            if (AssignedText.ENDINGS.contains(extension(member.getKey())) && !Passing.is(member.getKey())
                    && !Passing.isProse(member.getKey())) {
                // In a package of a program's own, a text may be prose or settings: what it is made of tells.
                PathFinder inside = new PathFinder(new MemberSink(sink, members, member.getKey(), true));
                AssignedText.read(content, inside::tell);
            } else if (Leftovers.in(member.getKey()).isEmpty() && reads(member.getKey(), content)) {
                new PathFinder(new MemberSink(sink, members, member.getKey(), true))
                        .any(new DocumentContent(document.path(), new ByteArrayInputStream(content), document.limit()), false);
            }
        }
    }

    private record Value(SourcePosition at, String text) {}

    /** Whether a value has a dot and a letter: most values of most documents are numbers. */
    private static boolean mayBePath(String text) {
        return text.indexOf('.') >= 0 && text.chars().anyMatch(Character::isLetter);
    }

    /** Values of XML and JSON have exact ends; what turns out to be neither is looked through as it is. */
    private void structured(DocumentContent document, boolean xml) throws IOException, Unreadable {
        byte[] bytes = document.stream().readNBytes(LONGEST_STRUCTURED + 1);
        List<Value> values = new ArrayList<>();
        try {
            if (bytes.length > LONGEST_STRUCTURED) {
                throw Unreadable.tooLarge(LONGEST_STRUCTURED);
            }
            if (xml) {
                new XmlScan(new XmlValues(values)).read(new ByteArrayInputStream(bytes));
            } else {
                new JsonScan(Set.of(), new JsonValues(values)).read(new ByteArrayInputStream(bytes));
            }
        } catch (Unreadable neither) {
            if (neither.problem().kind() == ReadProblem.Kind.UNSUPPORTED) {
                // It was read, but for what it takes in from elsewhere.
                values(values);
                throw neither;
            }
            raw(java.util.Arrays.copyOf(bytes, Math.min(bytes.length, HEAD)),
                    new SequenceInputStream(new ByteArrayInputStream(bytes), document.stream()));
            return;
        }
        values(values);
    }

    private void values(List<Value> values) throws IOException {
        for (Value value : values) {
            value(value);
        }
    }

    /** A value that is a path as a whole, or a text that holds some. */
    private void value(Value value) throws IOException {
        String text = value.text.strip();
        Passing.Standing standing = Passing.standing(value.at.text());
        if (text.length() < 4 || standing == Passing.Standing.PASSED) {
            return;
        }
        LinkForm form = text.length() <= FoundPath.LONGEST
                ? LinkText.read(text, Notation.PLAIN).map(address -> address.form()).orElse(LinkForm.EMBEDDED)
                : LinkForm.EMBEDDED;
        if (form.isAbsolute() && FoundPath.isFile(text) && text.indexOf('\n') < 0 && !isWebRoot(form, text)) {
            tell(value.at, text);
        } else if (form == LinkForm.RELATIVE && FoundPath.isRelative(text)) {
            tell(value.at, text, standing == Passing.Standing.FOR_PEOPLE ? Link.Standing.MENTIONED : Link.Standing.GUESSED);
        } else if (text.indexOf('/') >= 0 || text.indexOf('\\') >= 0) {
            byte[] bytes = text.getBytes(java.nio.charset.StandardCharsets.UTF_8);
            RawScan.whole(bytes, (at, path) -> tell(value.at, path)).read(new ByteArrayInputStream(bytes));
        }
    }

    /** {@code /icons/a.png} says nothing of a disk; homes and other disks do. */
    private static boolean isWebRoot(LinkForm form, String text) {
        return form == LinkForm.POSIX && !text.startsWith("/Users/") && !text.startsWith("/home/") && !text.startsWith("file:");
    }

    private void raw(byte[] head, InputStream content) throws IOException {
        new RawScan(head, this::tell).read(content);
    }

    private void tell(SourcePosition at, String text) {
        tell(at, text, Link.Standing.GUESSED);
    }

    private void tell(SourcePosition at, String text, Link.Standing standing) {
        if (found++ < MOST_LINKS) {
            Notation notation = text.regionMatches(true, 0, "file:", 0, 5) ? Notation.URI : Notation.PLAIN;
            sink.link(at, text, notation).standing(standing).add();
        }
    }

    private record XmlValues(List<Value> values) implements XmlScan.Listener {
        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                if (mayBePath(reader.getAttributeValue(i))) {
                    values.add(new Value(element.place(XmlScan.written(reader, i)), reader.getAttributeValue(i)));
                }
            }
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (mayBePath(text)) {
                values.add(new Value(element.place(), text));
            }
        }
    }

    private record JsonValues(List<Value> values) implements JsonScan.Listener {
        @Override
        public void object(JsonScan.Obj object) {
            // Its values were told one by one.
        }

        @Override
        public boolean wantsObject() {
            return false;
        }

        @Override
        public boolean wantsTexts() {
            return true;
        }

        @Override
        public void text(SourcePosition at, String text) {
            if (mayBePath(text)) {
                values.add(new Value(at, text));
            }
        }
    }
}
