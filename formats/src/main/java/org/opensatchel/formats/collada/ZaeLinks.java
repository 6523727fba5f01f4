package org.opensatchel.formats.collada;

import java.io.IOException;
import java.util.List;
import java.util.function.Predicate;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.PackageDocument;

/** COLLADA archives (COLLADA 1.5, appendix on the zipped form): the scene that {@code manifest.xml} names, and every other one in it. */
final class ZaeLinks implements LinkReader {

    private static final String MANIFEST = "manifest.xml";

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("zae") && head.isZip();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Predicate<String> scene = name -> name.toLowerCase(java.util.Locale.ROOT).endsWith(".dae");
        PackageDocument opened = PackageDocument.open(document, sink, scene.or(MANIFEST::equals), true);
        opened.read(MANIFEST::equals, (content, into) -> new XmlScan(new XmlScan.Listener() {
            @Override
            public void element(XmlScan.Element element, javax.xml.stream.XMLStreamReader reader) {
                // Only what the root's text says is looked at.
            }

            @Override
            public void text(XmlScan.Element element, String text) {
                if (element.isAt(List.of("dae_root"), false)) {
                    into.add(element.place(), text.strip(), Notation.URI);
                }
            }
        }).read(content.stream()));
        opened.read(scene, new ColladaLinks());
    }
}
