package org.opensatchel.formats.odf;

import java.io.IOException;
import java.util.Set;
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
import org.opensatchel.formats.zip.PackageDocument;

/**
 * OpenDocument files (OASIS OpenDocument 1.3), packages and flat ones: every {@code xlink:href} of the content and the
 * styles, and what else names files there. In a package relative links start from the package as if it were a folder
 * (part 2, section 3.8): {@code ../} leads out of it. Where a template came from is not needed to open a document, and
 * is not read.
 */
public final class OdfLinks implements LinkReader {

    public static final String XLINK = "http://www.w3.org/1999/xlink";
    private static final Set<String> PACKAGES = Set.of("odt", "ott", "odm", "ods", "ots", "odp", "otp", "odg", "otg", "odc", "odf", "odb");
    private static final Set<String> FLAT = Set.of("fodt", "fods", "fodp", "fodg");
    private static final Set<String> NOT_NEEDED = Set.of("template", "event-listener", "auto-reload", "hyperlink-behaviour");

    @Override
    public boolean recognises(String extension, Head head) {
        boolean flat = (FLAT.contains(extension) && head.looksLikeXml())
                || (head.xmlRoot().equals("document") && head.mentions("urn:oasis:names:tc:opendocument:xmlns:office:1.0"));
        return flat || (PACKAGES.contains(extension) && head.isZip()) || head.isPackageOf("application/vnd.oasis.opendocument.");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek(4);
        if (!start.startsWith('P', 'K')) {
            new XmlScan((element, reader) -> attributes(element, reader, sink)).read(start.content().stream());
            return;
        }
        Predicate<String> manifest = "META-INF/manifest.xml"::equals;
        Predicate<String> content = name -> name.equals("content.xml") || name.equals("styles.xml") || name.endsWith("/content.xml")
                || name.endsWith("/styles.xml");
        PackageDocument opened = PackageDocument.open(start.content(), sink, manifest.or(content), true);
        if (isLocked(opened)) {
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.ENCRYPTED, SourcePosition.WHOLE, ReadWording.ENCRYPTED.say()));
        }
        opened.read(content, (member, into) -> new XmlScan((element, reader) -> attributes(element, reader, into)).read(member.stream()));
    }

    private static boolean isLocked(PackageDocument opened) throws IOException {
        boolean[] locked = new boolean[1];
        opened.read("META-INF/manifest.xml"::equals,
                (content, into) -> new XmlScan((element, reader) -> locked[0] |= element.localName().equals("encryption-data"))
                        .read(content.stream()));
        return locked[0];
    }

    private static void attributes(XmlScan.Element element, XMLStreamReader reader, LinkSink sink) {
        if (NOT_NEEDED.contains(element.localName())) {
            return;
        }
        for (int i = 0; i < reader.getAttributeCount(); i++) {
            String value = reader.getAttributeValue(i).strip();
            // A picture of an embedded object may be left out of the package, and is made anew.
            boolean linked = XLINK.equals(reader.getAttributeNamespace(i)) && reader.getAttributeLocalName(i).equals("href")
                    && !value.contains("ObjectReplacements/");
            if (linked) {
                sink.add(element.place(XmlScan.written(reader, i)), value, Notation.URI, element.base());
            }
        }
    }
}
