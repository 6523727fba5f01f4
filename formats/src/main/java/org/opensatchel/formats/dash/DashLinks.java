package org.opensatchel.formats.dash;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.BaseUri;
import org.opensatchel.formats.xml.XmlScan;

/**
 * MPEG-DASH presentations (ISO/IEC 23009-1, clause 5): segment templates, once for each representation they serve, segment
 * lists, initialisation and index segments, and a representation's own {@code BaseURL} where that is the whole of it.
 * {@code BaseURL}s are the base of what stands in them.
 */
final class DashLinks implements LinkReader {

    /** A presentation has four levels; what nests deeper is none. */
    private static final int DEEPEST = 16;
    private static final Set<String> LEVELS = Set.of("MPD", "Period", "AdaptationSet", "Representation");
    private static final Map<String, Set<String>> NAMING = Map.of("SegmentTemplate",
            Set.of("media", "initialization", "index", "bitstreamSwitching"), "SegmentURL", Set.of("media", "index"),
            "Initialization", Set.of("sourceURL"), "RepresentationIndex", Set.of("sourceURL"), "BitstreamSwitching", Set.of("sourceURL"));

    @Override
    public boolean recognises(String extension, Head head) {
        return head.xmlRoot().equals("MPD") || extension.equals("mpd");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Level top = new Level(null, "");
        Walk walk = new Walk(top);
        try {
            new XmlScan(walk).read(document.stream());
        } finally {
            top.tell(sink, "", List.of());
        }
    }

    /** One name in the document. */
    private record Named(SourcePosition at, String text, boolean template) {}

    /** A level of the presentation: what it names itself, and the levels in it. */
    private static final class Level {
        private final Level parent;
        private final String name;
        private final List<Named> named = new ArrayList<>();
        private final List<Level> inner = new ArrayList<>();
        private final Map<String, String> fields = new HashMap<>();
        private final List<Named> bases = new ArrayList<>();

        Level(Level parent, String name) {
            this.parent = parent;
            this.name = name;
        }

        /** Templates wait for the representations below; a representation with a template of its own takes that one. */
        void tell(LinkSink sink, String above, List<Named> templatesAbove) {
            String base = bases.isEmpty() ? above : BaseUri.within(above, bases.get(0).text);
            List<Named> templates = named.stream().anyMatch(Named::template) ? named.stream().filter(Named::template).toList()
                    : templatesAbove;
            named.stream().filter(one -> !one.template).forEach(one -> sink.add(one.at, one.text, Notation.URI, base));
            boolean representation = name.equals("Representation");
            if (representation) {
                templates.forEach(one -> sink.link(one.at, one.text, Notation.URI).reading(filled(one.text)).base(base).add());
                if (templates.isEmpty() && named.isEmpty()) {
                    bases.forEach(one -> sink.link(one.at, one.text, Notation.URI).base(above)
                            .alternatives("base " + one.at.text().replaceAll("\\[[0-9]+]$", "")).add());
                }
            } else if (inner.isEmpty()) {
                templates.forEach(one -> sink.add(one.at, one.text, Notation.URI, base));
            }
            inner.forEach(level -> level.tell(sink, base, templates));
        }

        private String filled(String template) {
            String out = template;
            for (Map.Entry<String, String> field : fields.entrySet()) {
                out = out.replace("$" + field.getKey() + "$", field.getValue());
            }
            return out.replace("$$", "$");
        }
    }

    private static final class Walk implements XmlScan.Listener {
        private Level at;
        private int depth;

        Walk(Level top) {
            this.at = top;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            String name = element.localName();
            if (LEVELS.contains(name) && depth++ < DEEPEST) {
                Level level = new Level(at, name);
                at.inner.add(level);
                at = level;
                field(level, "RepresentationID", reader.getAttributeValue(null, "id"));
                field(level, "Bandwidth", reader.getAttributeValue(null, "bandwidth"));
            }
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                String attribute = reader.getAttributeLocalName(i);
                boolean remoteElement = attribute.equals("href") && "http://www.w3.org/1999/xlink".equals(reader.getAttributeNamespace(i))
                        && !reader.getAttributeValue(i).startsWith("urn:");
                if (NAMING.getOrDefault(name, Set.of()).contains(attribute) || remoteElement) {
                    at.named.add(new Named(element.place(XmlScan.written(reader, i)), reader.getAttributeValue(i).strip(),
                            name.equals("SegmentTemplate")));
                }
            }
        }

        private static void field(Level level, String key, String value) {
            if (value != null) {
                level.fields.put(key, value);
            }
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (element.localName().equals("BaseURL") && !text.isBlank()) {
                at.bases.add(new Named(element.place(), text.strip(), false));
            }
        }

        @Override
        public void end(XmlScan.Element element) {
            if (LEVELS.contains(element.localName()) && --depth < DEEPEST) {
                at = at.parent;
            }
        }
    }
}
