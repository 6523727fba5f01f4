package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.function.Predicate;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.PackageDocument;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/** COLLADA archives (COLLADA 1.5, appendix on the zipped form): the scene that {@code manifest.xml} names, and every other one in it. */
final class ZaeReader implements LinkReader {

    private static final String MANIFEST = "manifest.xml";

    @Override
    public String id() {
        return "zae";
    }

    @Override
    public List<String> extensions() {
        return List.of("zae");
    }

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
        opened.read(scene, new ColladaReader());
    }
}
