package org.opensatchel.formats.smil;

import java.io.IOException;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.BaseUri;
import org.opensatchel.formats.xml.XmlScan;

/**
 * SMIL presentations (W3C SMIL 3.0, and 1.0 to 2.1 before it): every {@code src}, {@code href} of {@code a} and {@code area},
 * {@code longdesc} not, backgrounds of regions, and the base that a {@code meta} sets.
 */
public final class SmilLinks implements LinkReader {

    private static final Set<String> LINKING = Set.of("a", "area", "anchor");

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("smil") || extension.equals("smil") || (extension.equals("smi") && head.looksLikeXml());
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan(new Links(sink)).read(document.stream());
    }

    private static final class Links implements XmlScan.Listener {
        private final LinkSink sink;
        private String stated = "";

        Links(LinkSink sink) {
            this.sink = sink;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            String name = element.localName();
            if (name.equals("meta") && "base".equals(reader.getAttributeValue(null, "name"))
                    && reader.getAttributeValue(null, "content") != null) {
                stated = reader.getAttributeValue(null, "content").strip();
            }
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                String attribute = reader.getAttributeLocalName(i);
                boolean named = attribute.equals("src") || (attribute.equals("href") && LINKING.contains(name))
                        || (attribute.equals("backgroundImage") && !Set.of("none", "inherit").contains(reader.getAttributeValue(i)));
                if (named) {
                    sink.add(element.place(XmlScan.written(reader, i)), reader.getAttributeValue(i).strip(), Notation.URI,
                            element.base().isEmpty() ? stated : BaseUri.within(stated, element.base()));
                }
            }
        }
    }
}
