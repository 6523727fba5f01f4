package org.opensatchel.formats.collada;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;

/**
 * COLLADA scenes (1.4.1 and 1.5, Khronos): {@code init_from} of images, which in 1.5 holds a {@code ref}; {@code url},
 * {@code target} and {@code source} of whatever lies in another document; included effects. An effect's {@code init_from}
 * names an image of the scene, not a file; where an asset came from is not needed to open it, and is not read.
 */
final class ColladaLinks implements LinkReader {

    private static final Set<String> SOURCES = Set.of("skin", "morph", "input", "accessor", "channel", "sampler");

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("COLLADA") || extension.equals("dae");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan(new Links(sink)).read(document.stream());
    }

    private record Links(LinkSink sink) implements XmlScan.Listener {

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            String name = element.localName();
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                String attribute = reader.getAttributeLocalName(i);
                String value = reader.getAttributeValue(i).strip();
                boolean named = (attribute.equals("url")
                        && (name.startsWith("instance_") || name.equals("include") || name.equals("formula") || name.equals("import")))
                        || (attribute.equals("target") && name.equals("instance_material"))
                        || (attribute.equals("source") && SOURCES.contains(name));
                if (named && !value.startsWith("#") && isFile(attribute, value)) {
                    sink.link(element.place(XmlScan.written(reader, i)), value, Notation.URI).base(element.base()).including().add();
                }
            }
        }

        /** Some of these attributes may hold a bare id of the same document, which is no address. */
        private static boolean isFile(String attribute, String value) {
            return attribute.equals("url") || value.indexOf('#') > 0 || value.indexOf('/') >= 0;
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            boolean image = element.isAt(List.of("image", "init_from"), true) || element.isAt(List.of("init_from", "ref"), true);
            boolean code = element.isAt(List.of("include", "ref"), true);
            if (image || code) {
                sink.add(element.place(), text.strip(), Notation.URI, element.base());
            }
        }
    }
}
