package org.opensatchel.formats.kml;

import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.html.HtmlLinks;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * Maps in KML (OGC 12-007r2, KML 2.3), alone and packed as KMZ: {@code href} of icons, overlays, models and network links (section 12.9),
 * what models map their textures to, styles in other files, and the pictures of balloons.
 */
final class KmlLinks implements LinkReader {

    private static final Set<String> ADDRESSES = Set.of("href", "targetHref", "sourceHref", "styleUrl", "schemaUrl");
    private static final Set<String> TEXTS = Set.of("description", "text");

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
                HtmlLinks.fragment(text, sink, offset -> element.place());
            }
        }
    }
}
