package org.opensatchel.formats.materialx;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;

/**
 * MaterialX documents (specification 1.38 and 1.39): values of type {@code filename} under the {@code fileprefix}es around
 * them, included documents, and the sources of implementations. A name with tokens in it cannot be told.
 */
final class MaterialxLinks implements LinkReader {

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("materialx") || extension.equals("mtlx");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan(new Links(sink)).read(document.stream());
    }

    private static final class Links implements XmlScan.Listener {
        private final LinkSink sink;
        private final Deque<String> prefixes = new ArrayDeque<>();

        Links(LinkSink sink) {
            this.sink = sink;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            String above = prefixes.isEmpty() ? "" : prefixes.peek();
            String own = reader.getAttributeValue(null, "fileprefix");
            prefixes.push(own == null ? above : above + own);
            String value = reader.getAttributeValue(null, "value");
            if ("filename".equals(reader.getAttributeValue(null, "type")) && value != null) {
                add(element, "value", value, prefixes.peek());
            }
            if (element.localName().equals("include") && reader.getAttributeValue(null, "href") != null) {
                sink.link(element.place("href"), reader.getAttributeValue(null, "href").strip(), Notation.PLAIN).including().add();
            }
            if (element.localName().equals("implementation") && reader.getAttributeValue(null, "file") != null) {
                add(element, "file", reader.getAttributeValue(null, "file"), prefixes.peek());
            }
        }

        @Override
        public void end(XmlScan.Element element) {
            prefixes.pop();
        }

        private void add(XmlScan.Element element, String attribute, String value, String prefix) {
            String text = value.strip();
            boolean absolute = text.startsWith("/") || text.startsWith("\\") || text.matches("(?s)[A-Za-z][A-Za-z0-9+.-]*:.*");
            String reading = text.isEmpty() || absolute ? text : prefix + text;
            boolean token = reading.indexOf('{') >= 0 || reading.indexOf('[') >= 0;
            sink.link(element.place(attribute), text, Notation.PLAIN).reading(token ? "${token}/" : reading).add();
        }
    }
}
