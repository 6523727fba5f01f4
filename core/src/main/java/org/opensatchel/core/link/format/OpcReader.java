package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.ReadProblem;
import org.opensatchel.core.link.ReadWording;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.MemberSink;
import org.opensatchel.core.link.member.PackageDocument;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/**
 * Packages of the Open Packaging Conventions (ECMA-376 part 2), as Office Open XML documents and 3MF models are: the
 * relationships of every part (clause 6.5). External targets start from the package's own folder; internal ones from the
 * part that has them, and are told only when the part they name is not there.
 */
final class OpcReader implements LinkReader {

    private static final Set<String> EXTENSIONS = Set.of("docx", "docm", "dotx", "dotm", "xlsx", "xlsm", "xltx", "xltm", "pptx", "pptm",
            "potx", "potm", "ppsx", "ppsm", "3mf");

    @Override
    public String id() {
        return "opc";
    }

    @Override
    public List<String> extensions() {
        return List.of("docx", "docm", "dotx", "xlsx", "xlsm", "xltx", "pptx", "pptm", "potx", "ppsx", "3mf");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        boolean locked = head.startsWith(0xD0, 0xCF, 0x11, 0xE0);
        return (EXTENSIONS.contains(extension) && (head.isZip() || locked)) || head.isPackageWith("[Content_Types].xml");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Predicate<String> relationships = name -> name.endsWith(".rels") && (name.startsWith("_rels/") || name.contains("/_rels/"));
        DocumentContent.Peek start = document.peek(8);
        if (start.startsWith(0xD0, 0xCF, 0x11, 0xE0)) {
            // A locked document is wrapped in another container (MS-OFFCRYPTO 1.3).
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.ENCRYPTED, Place.WHOLE, ReadWording.ENCRYPTED_OR_OLD.say()));
        }
        PackageDocument opened = PackageDocument.open(start.content(), sink, relationships, false);
        opened.read(relationships, (content,
                into) -> new XmlScan(new Relationships(into, opened.sinkFor(into.member(), source(into.member())))).read(content.stream()));
    }

    /** The part whose relationships a member tells: {@code word/_rels/document.xml.rels} tells those of {@code word/document.xml}. */
    private static String source(String relationships) {
        int folder = relationships.lastIndexOf("_rels/");
        return relationships.substring(0, folder) + relationships.substring(folder + 6, relationships.length() - ".rels".length());
    }

    private record Relationships(MemberSink outer, MemberSink inner) implements XmlScan.Listener {

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            String target = reader.getAttributeValue(null, "Target");
            if (!element.localName().equals("Relationship") || target == null || target.isBlank() || target.equalsIgnoreCase("NULL")) {
                return;
            }
            String type = reader.getAttributeValue(null, "Type");
            if (type != null && type.endsWith("/attachedTemplate")) {
                // Where a document's styles once came from; they are kept in it (ECMA-376 part 1, clause 17.15.1.6).
                return;
            }
            String mode = reader.getAttributeValue(null, "TargetMode");
            if (mode != null && mode.toLowerCase(Locale.ROOT).equals("external")) {
                outer.addOutside(element.place("Target"), target.strip(), Notation.URI);
            } else {
                inner.add(element.place("Target"), target.strip(), Notation.WEB);
            }
        }
    }
}
