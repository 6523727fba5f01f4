package org.opensatchel.formats.xspf;

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
 * XSPF playlists (version 1, sections 4.1.1.1 to 4.1.1.2.14.1.1): {@code location} with its alternatives, {@code image},
 * {@code info} and {@code link}. An {@code identifier} names no file.
 */
final class XspfLinks implements LinkReader {

    private static final String XSPF = "http://xspf.org/ns/0/";
    private static final Set<String> LINKING = Set.of("location", "image", "info", "link");

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("xspf") || (head.xmlRoot().equals("playlist") && head.mentions(XSPF));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan(new XmlScan.Listener() {
            private int track;

            @Override
            public void element(XmlScan.Element element, XMLStreamReader reader) {
                track += element.localName().equals("track") ? 1 : 0;
            }

            @Override
            public void text(XmlScan.Element element, String text) {
                boolean ours = element.namespace().equals(XSPF) || element.namespace().isEmpty();
                if (ours && LINKING.contains(element.localName())) {
                    // A track's locations are one resource in several places: a player takes the first it can have.
                    boolean location = element.isAt(java.util.List.of("track", "location"), true);
                    sink.link(element.place(), text.strip(), Notation.URI).base(element.base())
                            .alternatives(location ? "track " + track : "").add();
                }
            }
        }).read(document.stream());
    }
}
