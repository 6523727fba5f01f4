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

/**
 * DAWproject exchange packages (version 1.0): the {@code path} of files and plug-in states in {@code project.xml}; one that
 * is {@code external} starts from the folder the package lies in, any other is a member.
 */
final class DawprojectReader implements LinkReader {

    private static final String PROJECT = "project.xml";

    @Override
    public String id() {
        return "dawproject";
    }

    @Override
    public List<String> extensions() {
        return List.of("dawproject");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("dawproject") && head.isZip();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        PackageDocument.open(document, sink, PROJECT::equals, true).read(PROJECT::equals,
                (content, into) -> new XmlScan((element, reader) -> {
                    String path = reader.getAttributeValue(null, "path");
                    boolean file = element.localName().equals("File") || element.localName().equals("State");
                    if (file && path != null && !path.isBlank()) {
                        if ("true".equals(reader.getAttributeValue(null, "external"))) {
                            into.addOutside(element.place("path"), path.strip(), Notation.PLAIN);
                        } else {
                            into.add(element.place("path"), path.strip(), Notation.PLAIN);
                        }
                    }
                }).read(content.stream()));
    }
}
