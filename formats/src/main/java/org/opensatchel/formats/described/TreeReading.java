package org.opensatchel.formats.described;

import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.xml.XmlScan;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;

/** Tells a {@link TreeWalk} what stands in XML (XML 1.0), JSON (RFC 8259), and property lists written in XML. */
final class TreeReading {

    private TreeReading() {
    }

    static void xml(byte[] content, Trail trail, SpotSink sink) throws Unreadable {
        new XmlScan(new Elements(new TreeWalk(trail, sink, false))).read(new ByteArrayInputStream(content));
    }

    private record Elements(TreeWalk walk) implements XmlScan.Listener {
        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            walk.enter(element.name(), false);
            for (int i = 0; i < reader.getAttributeCount() && walk.wanted(); i++) {
                String name = XmlScan.written(reader, i);
                walk.value("@" + name, reader.getAttributeValue(i), () -> element.place(name));
            }
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (!text.isBlank()) {
                walk.text(text, element::place);
            }
        }

        @Override
        public void end(XmlScan.Element element) {
            walk.leave();
        }
    }

    /** @param lines whether many documents stand one after the other, as one a line */
    static void json(byte[] content, boolean lines, Trail trail, SpotSink sink) throws Unreadable {
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(ObjectReadContext.empty(), new ByteArrayInputStream(content))) {
            json(parser, lines, trail, sink);
        } catch (JacksonException broken) {
            var at = broken.getLocation();
            throw Unreadable.broken(at == null || at.getLineNr() < 1 ? SourcePosition.WHOLE
                    : new SourcePosition.InText(at.getLineNr(), Math.max(1, at.getColumnNr())), ReadWording.NO_JSON);
        }
    }

    private static void json(JsonParser parser, boolean lines, Trail trail, SpotSink sink) throws Unreadable {
        JsonToken token = parser.nextToken();
        TreeWalk walk = new TreeWalk(trail, sink, lines || token == JsonToken.START_ARRAY);
        int depth = 0;
        int documents = 0;
        String name = "";
        while (token != null) {
            // The outermost bracket of a document is the top itself.
            boolean top = depth == 0 && !lines;
            if (top && documents++ > 0) {
                throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.GOES_ON);
            }
            switch (token) {
                case PROPERTY_NAME -> name = parser.currentName();
                case START_OBJECT, START_ARRAY -> {
                    if (!top) {
                        walk.enter(name, token == JsonToken.START_ARRAY);
                    }
                    depth++;
                }
                case END_OBJECT, END_ARRAY -> {
                    depth--;
                    if (depth > 0 || lines) {
                        walk.leave();
                    }
                }
                default -> {
                    if (!top) {
                        walk.value(name, walk.wanted() ? parser.getString() : "");
                    }
                }
            }
            token = parser.nextToken();
        }
    }

    /** A property list in XML: dictionaries of keys and values, lists of values. */
    static void propertyList(byte[] content, Trail trail, SpotSink sink) throws Unreadable {
        new XmlScan(new Properties(trail, sink)).read(new ByteArrayInputStream(content));
    }

    private static final class Properties implements XmlScan.Listener {
        private final Trail trail;
        private final SpotSink sink;
        private final Deque<String> keys = new ArrayDeque<>();
        private TreeWalk walk;

        Properties(Trail trail, SpotSink sink) {
            this.trail = trail;
            this.sink = sink;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            boolean list = element.localName().equals("array");
            if (!list && !element.localName().equals("dict")) {
                return;
            }
            if (walk == null) {
                walk = new TreeWalk(trail, sink, list);
            } else {
                walk.enter(keys.isEmpty() ? "" : keys.peek(), list);
            }
            keys.push("");
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (walk == null || keys.isEmpty()) {
                return;
            }
            String name = element.localName();
            if (name.equals("key")) {
                keys.pop();
                keys.push(text);
            } else if (!name.equals("dict") && !name.equals("array") && !name.equals("plist")) {
                walk.value(keys.peek(), text);
            }
        }

        @Override
        public void end(XmlScan.Element element) {
            if (element.localName().equals("dict") || element.localName().equals("array")) {
                keys.pop();
                if (!keys.isEmpty()) {
                    walk.leave();
                }
            }
        }
    }
}
