package org.opensatchel.formats.dawproject;

import java.io.IOException;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * DAWproject exchange packages (version 1.0): the {@code path} of files and plug-in states in {@code project.xml}; one that
 * is {@code external} starts from the folder the package lies in, any other is a member.
 */
final class DawprojectLinks implements LinkReader {

    private static final String PROJECT = "project.xml";

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
