package org.opensatchel.formats.opc;

import java.io.IOException;
import java.util.Locale;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.MemberSink;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * Packages of the Open Packaging Conventions (ECMA-376 part 2), as Office Open XML documents and 3MF models are: the
 * relationships of every part (clause 6.5). External targets start from the package's own folder; internal ones from the
 * part that has them, and are told only when the part they name is not there.
 */
final class OpcLinks implements LinkReader {

    @Override
    public boolean recognises(String extension, Head head) {
        boolean locked = head.startsWith(0xD0, 0xCF, 0x11, 0xE0);
        return (Opc.FORMAT.hasEnding(extension) && (head.isZip() || locked)) || head.isPackageWith("[Content_Types].xml");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Predicate<String> relationships = name -> name.endsWith(".rels") && (name.startsWith("_rels/") || name.contains("/_rels/"));
        DocumentContent.Peek start = document.peek(8);
        if (start.startsWith(0xD0, 0xCF, 0x11, 0xE0)) {
            // A locked document is wrapped in another container (MS-OFFCRYPTO 1.3).
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.ENCRYPTED, SourcePosition.WHOLE, ReadWording.ENCRYPTED_OR_OLD.say()));
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
