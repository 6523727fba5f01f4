package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.PackageDocument;
import org.opensatchel.core.link.text.XmlScan;
import org.opensatchel.core.path.Notation;

/** OpenRaster pictures (specification 0.0.6): the sources of the layers in {@code stack.xml}. */
final class OraReader implements LinkReader {

    private static final String STACK = "stack.xml";

    @Override
    public String id() {
        return "ora";
    }

    @Override
    public List<String> extensions() {
        return List.of("ora");
    }

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
