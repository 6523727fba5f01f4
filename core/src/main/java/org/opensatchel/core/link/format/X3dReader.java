package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.text.MultiString;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/**
 * X3D scenes, XML encoding (ISO/IEC 19776-1): the {@code url} lists of every node that has one, the six pictures of a
 * background, the parts of a terrain. The addresses of one list are alternatives: one that is found is enough.
 */
final class X3dReader implements LinkReader {

    static final Set<String> FIELDS = Set.of("url", "frontUrl", "backUrl", "leftUrl", "rightUrl", "topUrl", "bottomUrl", "rootUrl",
            "child1Url", "child2Url", "child3Url", "child4Url");
    private static final Set<String> INCLUDING = Set.of("Inline", "ExternProtoDeclare", "GeoLOD", "InlineGeometry");

    @Override
    public String id() {
        return "x3d";
    }

    @Override
    public List<String> extensions() {
        return List.of("x3d", "x3dz");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("X3D") || (extension.equals("x3d") && !head.text().startsWith("#"));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan((element, reader) -> attributes(element, reader, sink)).read(document.stream());
    }

    private static void attributes(XmlScan.Element element, XMLStreamReader reader, LinkSink sink) {
        for (int i = 0; i < reader.getAttributeCount(); i++) {
            if (FIELDS.contains(reader.getAttributeLocalName(i))) {
                List<MultiString.Item> items = MultiString.read(reader.getAttributeValue(i));
                Place at = element.place(XmlScan.written(reader, i));
                for (MultiString.Item item : items) {
                    LinkSink.Draft draft = sink.link(at, item.text().strip(), Notation.URI).base(element.base())
                            .alternatives(items.size() > 1 ? at.text() : "");
                    (INCLUDING.contains(element.localName()) ? draft.including() : draft).add();
                }
            }
        }
    }
}
