package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.text.BaseUri;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/**
 * SMIL presentations (W3C SMIL 3.0, and 1.0 to 2.1 before it): every {@code src}, {@code href} of {@code a} and {@code area},
 * {@code longdesc} not, backgrounds of regions, and the base that a {@code meta} sets.
 */
final class SmilReader implements LinkReader {

    private static final Set<String> LINKING = Set.of("a", "area", "anchor");

    @Override
    public String id() {
        return "smil";
    }

    @Override
    public List<String> extensions() {
        return List.of("smil", "smi");
    }

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
