package org.opensatchel.formats.musicxml;

import java.io.IOException;
import java.util.Set;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.odf.OdfLinks;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.MemberSink;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * MusicXML scores and collections of them (W3C MusicXML 4.0 and those before), packed ({@code .mxl}) or not: pictures,
 * linked documents, the scores of a collection, and the score that a package's container names.
 */
final class MusicxmlLinks implements LinkReader {

    private static final Set<String> ROOTS = Set.of("score-partwise", "score-timewise", "opus");
    private static final Set<String> PICTURES = Set.of("image", "credit-image");
    private static final Set<String> LINKING = Set.of("link", "opus", "score", "opus-link");
    private static final String CONTAINER = "META-INF/container.xml";

    @Override
    public boolean recognises(String extension, Head head) {
        return ROOTS.contains(head.xmlRoot()) || extension.equals("musicxml") || (extension.equals("mxl") && head.isZip())
                || head.isPackageOf("application/vnd.recordare.musicxml");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek(4);
        if (!start.startsWith('P', 'K')) {
            score(start.content(), sink);
            return;
        }
        Predicate<String> scores = name -> !name.startsWith("META-INF/") && (name.endsWith(".xml") || name.endsWith(".musicxml"));
        PackageDocument opened = PackageDocument.open(start.content(), sink, scores.or(CONTAINER::equals), true);
        opened.read(CONTAINER::equals, (content, into) -> {
            MemberSink fromTop = opened.sinkFor(CONTAINER, "");
            new XmlScan((element, reader) -> {
                String path = reader.getAttributeValue(null, "full-path");
                if (path != null) {
                    fromTop.add(element.place("full-path"), path.strip(), Notation.PLAIN);
                }
            }).read(content.stream());
        });
        opened.read(scores, MusicxmlLinks::score);
    }

    private static void score(DocumentContent document, LinkSink sink) throws Unreadable {
        new XmlScan((element, reader) -> attributes(element, reader, sink)).read(document.stream());
    }

    private static void attributes(XmlScan.Element element, XMLStreamReader reader, LinkSink sink) {
        for (int i = 0; i < reader.getAttributeCount(); i++) {
            boolean picture = PICTURES.contains(element.localName()) && reader.getAttributeLocalName(i).equals("source");
            boolean linked = LINKING.contains(element.localName()) && reader.getAttributeLocalName(i).equals("href")
                    && OdfLinks.XLINK.equals(reader.getAttributeNamespace(i));
            if (picture || linked) {
                sink.add(element.place(XmlScan.written(reader, i)), reader.getAttributeValue(i).strip(), Notation.URI, element.base());
            }
        }
    }
}
