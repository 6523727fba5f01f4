package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.PackageDocument;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/**
 * Maps in KML (OGC 12-007r2, KML 2.3), alone and packed as KMZ: {@code href} of icons, overlays, models and network links (section 12.9),
 * what models map their textures to, styles in other files, and the pictures of balloons.
 */
final class KmlReader implements LinkReader {

    private static final Set<String> ADDRESSES = Set.of("href", "targetHref", "sourceHref", "styleUrl", "schemaUrl");
    private static final Set<String> TEXTS = Set.of("description", "text");

    @Override
    public String id() {
        return "kml";
    }

    @Override
    public List<String> extensions() {
        return List.of("kml", "kmz");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("kml") || (extension.equals("kml") && head.looksLikeXml())
                || (extension.equals("kmz") && head.isZip());
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek(4);
        if (start.startsWith('P', 'K')) {
            Predicate<String> maps = name -> name.toLowerCase(Locale.ROOT).endsWith(".kml");
            PackageDocument.open(start.content(), sink, maps, true).read(maps,
                    (content, into) -> new XmlScan(new Links(into)).read(content.stream()));
        } else {
            new XmlScan(new Links(sink)).read(start.content().stream());
        }
    }

    private record Links(LinkSink sink) implements XmlScan.Listener {

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            // Addresses stand in what elements hold.
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (ADDRESSES.contains(element.localName()) && !text.isBlank()) {
                // The texture of a model is named as the model names it, and mapped to where it is.
                boolean own = element.localName().equals("sourceHref");
                if (!own) {
                    sink.add(element.place(), text.strip(), Notation.URI);
                }
            } else if (TEXTS.contains(element.localName()) && text.indexOf('<') >= 0) {
                HtmlReader.fragment(text, sink, offset -> element.place());
            }
        }
    }
}
