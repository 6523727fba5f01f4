package org.opensatchel.formats.ora;

import java.io.IOException;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.PackageDocument;

/** OpenRaster pictures (specification 0.0.6): the sources of the layers in {@code stack.xml}. */
final class OraLinks implements LinkReader {

    private static final String STACK = "stack.xml";

    @Override
    public boolean recognises(String extension, Head head) {
        return (extension.equals("ora") && head.isZip()) || head.isPackageOf("image/openraster");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        PackageDocument.open(document, sink, STACK::equals, true).read(STACK::equals, (content, into) -> new XmlScan((element, reader) -> {
            String source = reader.getAttributeValue(null, "src");
            if (source != null) {
                into.add(element.place("src"), source.strip(), Notation.PLAIN);
            }
        }).read(content.stream()));
    }
}
