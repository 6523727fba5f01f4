package org.opensatchel.formats.epub;

import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.css.CssLinks;
import org.opensatchel.formats.html.HtmlLinks;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.smil.SmilLinks;
import org.opensatchel.formats.svg.SvgLinks;
import org.opensatchel.formats.xml.XmlScan;
import org.opensatchel.formats.zip.MemberSink;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * EPUB books (EPUB 3.3, and 2.0.1 before it): the package documents that the container names, everything their manifests
 * list, and the links of the pages, style sheets, drawings, tables of contents and overlays in them.
 */
final class EpubLinks implements LinkReader {

    private static final Set<String> READ = Set.of("opf", "xhtml", "html", "htm", "css", "svg", "ncx", "smil");
    private static final String CONTAINER = "META-INF/container.xml";

    @Override
    public boolean recognises(String extension, Head head) {
        return (extension.equals("epub") && head.isZip()) || head.isPackageOf("application/epub+zip");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        PackageDocument opened = PackageDocument.open(document, sink, name -> name.equals(CONTAINER) || READ.contains(ending(name)), true);
        opened.read(CONTAINER::equals, (content, into) -> {
            MemberSink fromTop = opened.sinkFor(CONTAINER, "");
            new XmlScan((element, reader) -> attribute(element, reader, "rootfile", "full-path", fromTop)).read(content.stream());
        });
        opened.read(of("opf"), (content, into) -> new XmlScan((element, reader) -> {
            attribute(element, reader, "item", "href", into);
            attribute(element, reader, "reference", "href", into);
            attribute(element, reader, "link", "href", into);
        }).read(content.stream()));
        opened.read(of("ncx"), (content, into) -> new XmlScan((element, reader) -> attribute(element, reader, "content", "src", into))
                .read(content.stream()));
        opened.read(of("xhtml").or(of("html")).or(of("htm")), new HtmlLinks());
        opened.read(of("css"), new CssLinks());
        opened.read(of("svg"), new SvgLinks());
        opened.read(of("smil"), new SmilLinks());
    }

    private static void attribute(XmlScan.Element element, javax.xml.stream.XMLStreamReader reader, String name, String attribute,
            LinkSink sink) {
        String value = element.localName().equals(name) ? reader.getAttributeValue(null, attribute) : null;
        if (value != null) {
            sink.add(element.place(attribute), value.strip(), Notation.WEB);
        }
    }

    private static Predicate<String> of(String extension) {
        return name -> ending(name).equals(extension);
    }

    private static String ending(String name) {
        return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    }
}
