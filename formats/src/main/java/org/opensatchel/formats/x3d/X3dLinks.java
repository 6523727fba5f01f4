package org.opensatchel.formats.x3d;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.MultiString;
import org.opensatchel.formats.xml.XmlScan;

/**
 * X3D scenes, XML encoding (ISO/IEC 19776-1): the {@code url} lists of every node that has one, the six pictures of a
 * background, the parts of a terrain. The addresses of one list are alternatives: one that is found is enough.
 */
public final class X3dLinks implements LinkReader {

    public static final Set<String> FIELDS = Set.of("url", "frontUrl", "backUrl", "leftUrl", "rightUrl", "topUrl", "bottomUrl", "rootUrl",
            "child1Url", "child2Url", "child3Url", "child4Url");
    private static final Set<String> INCLUDING = Set.of("Inline", "ExternProtoDeclare", "GeoLOD", "InlineGeometry");

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
                SourcePosition at = element.place(XmlScan.written(reader, i));
                for (MultiString.Item item : items) {
                    LinkSink.Draft draft = sink.link(at, item.text().strip(), Notation.URI).base(element.base())
                            .alternatives(items.size() > 1 ? at.text() : "");
                    (INCLUDING.contains(element.localName()) ? draft.including() : draft).add();
                }
            }
        }
    }
}
