package org.opensatchel.formats.svg;

import java.io.IOException;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.css.CssScan;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;

/**
 * SVG 1.1 and 2 pictures (SVG 2, section 16.2 on links): every {@code href}, with or without the XLink namespace,
 * {@code src}, the URLs in style sheets, {@code style} and presentation attributes, and style-sheet instructions. Not read
 * are scripts, metadata in other namespaces, and what editors keep for themselves.
 */
public final class SvgLinks implements LinkReader {

    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final String XLINK = "http://www.w3.org/1999/xlink";
    private static final String XHTML = "http://www.w3.org/1999/xhtml";
    private static final Set<String> INCLUDING = Set.of("image", "use", "feImage");
    private static final Set<String> STYLED = Set.of("style", "fill", "stroke", "filter", "clip-path", "mask", "cursor", "marker",
            "marker-start", "marker-mid", "marker-end");
    private static final Pattern HREF = Pattern.compile("(?:^|\\s)href\\s*=\\s*(?:\"([^\"]*)\"|'([^']*)')");

    @Override
    public boolean recognises(String extension, Head head) {
        if (extension.equals("svg")) {
            return true;
        }
        boolean page = extension.equals("html") || extension.equals("htm") || extension.equals("xhtml");
        return !page && head.xmlRoot().equals("svg");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new XmlScan(new Links(sink)).read(document.stream());
    }

    private record Links(LinkSink sink) implements XmlScan.Listener {

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            boolean drawn = element.namespace().equals(SVG) || element.namespace().isEmpty() || element.namespace().equals(XHTML);
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                String space = reader.getAttributeNamespace(i) == null ? "" : reader.getAttributeNamespace(i);
                String name = reader.getAttributeLocalName(i);
                String value = reader.getAttributeValue(i);
                boolean linked = name.equals("href") && (space.equals(XLINK) || (space.isEmpty() && drawn));
                boolean sourced = drawn && space.isEmpty()
                        && (name.equals("src") || name.equals("poster") || (name.equals("data") && element.localName().equals("object")));
                if (linked || sourced) {
                    LinkSink.Draft link = sink.link(element.place(XmlScan.written(reader, i)), value.strip(), Notation.WEB)
                            .base(element.base());
                    (INCLUDING.contains(element.localName()) ? link.including() : link).add();
                } else if (space.isEmpty() && drawn && STYLED.contains(name) && value.contains("(")) {
                    styles(element.place(name), value, element.base());
                }
            }
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (element.localName().equals("style")
                    && (element.namespace().equals(SVG) || element.namespace().equals(XHTML) || element.namespace().isEmpty())) {
                styles(element.place(), text, element.base());
            }
        }

        @Override
        public void instruction(String target, String data, SourcePosition at) {
            Matcher href = HREF.matcher(data);
            if (target.equals("xml-stylesheet") && href.find()) {
                sink.add(at, href.group(1) != null ? href.group(1) : href.group(2), Notation.WEB);
            }
        }

        private void styles(SourcePosition at, String css, String base) {
            new CssScan(css, (offset, url, alternatives) -> sink.link(at, url, Notation.WEB).base(base)
                    .alternatives(alternatives.isEmpty() ? "" : at.text() + " " + alternatives).add()).read();
        }
    }
}
