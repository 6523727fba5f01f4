package org.opensatchel.formats.json;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.exc.StreamConstraintsException;

/**
 * Walks a JSON document (RFC 8259; UTF-8, UTF-16 or UTF-32 with or without byte-order mark) as a stream and hands over
 * each object when it ends, with its simple values. However long the document, only the open objects are held.
 */
public final class JsonScan {

    /** Longest value that is kept; a longer one, like an embedded picture, is cut. */
    private static final int MAX_VALUE = 64 << 10;

    /** A simple value: a text, a number as it is written, or empty for anything else, and its place in reading order. */
    public record Value(String text, int order) {}

    /** An object that has ended: its pointer's names and its simple values. */
    public static final class Obj {
        private final Level around;
        private final String name;
        private final Map<String, Value> values = new HashMap<>();

        private Obj(Level around, String name) {
            this.around = around;
            this.name = name;
        }

        /** The names on the way to it; made when they are asked for, since most objects hold nothing of interest. */
        public List<String> pointer() {
            return JsonScan.pointer(around, name);
        }

        public Value get(String key) {
            return values.get(key);
        }

        public Set<String> keys() {
            return values.keySet();
        }

        /** The text of a value, empty when it is not there. */
        public String text(String key) {
            Value value = values.get(key);
            return value == null ? "" : value.text;
        }

        public SourcePosition place(String key) {
            StringBuilder out = new StringBuilder();
            pointer().forEach(step -> out.append('/').append(escaped(step)));
            return new SourcePosition.InTree(out.append('/').append(escaped(key)).toString(),
                    values.containsKey(key) ? values.get(key).order : 0);
        }

        private static String escaped(String name) {
            return name.replace("~", "~0").replace("/", "~1");
        }
    }

    /** Takes the objects of a document as they end. */
    public interface Listener {
        void object(Obj object);

        /** A text, wherever it stands, when it is met. */
        default void text(SourcePosition at, String text) {
        }

        /** Whether a document of this kind is an object: one that is a list or a single value then is none. */
        default boolean wantsObject() {
            return true;
        }

        /** Whether texts are told one by one. */
        default boolean wantsTexts() {
            return false;
        }
    }

    /** One open object or array on the way down. */
    private static final class Level {
        private final Level around;
        private final Obj object;
        private final String nameAbove;
        private int index;

        Level(Level around, Obj object, String nameAbove) {
            this.around = around;
            this.object = object;
            this.nameAbove = nameAbove;
        }

        String name(JsonParser parser) {
            return object != null ? parser.currentName() : Integer.toString(index++);
        }
    }

    private final Set<String> lifted;
    private final Listener listener;
    private final Deque<Level> open = new ArrayDeque<>();
    private int order;

    /** @param lifted names of inner objects whose values are also seen from the object around them, as {@code name.key} */
    public JsonScan(Set<String> lifted, Listener listener) {
        this.lifted = lifted;
        this.listener = listener;
    }

    /**
     * Tells a document to the listener, up to its end.
     *
     * @throws Unreadable where it is no JSON (RFC 8259), breaks off or is nested too deep; what came before was told
     */
    public void read(InputStream json) throws IOException, Unreadable {
        try (JsonParser parser = JsonDocuments.FACTORY.createParser(ObjectReadContext.empty(), new ShortTexts(json, MAX_VALUE))) {
            try {
                JsonToken token = parser.nextToken();
                if (token == null) {
                    throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NOTHING);
                }
                if (listener.wantsObject() && token != JsonToken.START_OBJECT) {
                    throw Unreadable.broken(SourcePosition.WHOLE,
                            (token == JsonToken.START_ARRAY ? ReadWording.LIST : ReadWording.SINGLE_VALUE));
                }
                do {
                    take(parser, token);
                    token = parser.nextToken();
                } while (!open.isEmpty());
                if (token != null) {
                    throw Unreadable.broken(place(parser), ReadWording.GOES_ON);
                }
            } catch (StreamConstraintsException tooMuch) {
                throw Unreadable.broken(place(parser), ReadWording.NESTED_TOO_DEEP);
            } catch (JacksonException broken) {
                throw Unreadable.broken(place(parser), ReadWording.NO_JSON);
            }
        }
    }

    private void take(JsonParser parser, JsonToken token) throws IOException {
        switch (token) {
            case START_OBJECT, START_ARRAY -> {
                String name = open.isEmpty() ? "" : open.peek().name(parser);
                Obj object = token == JsonToken.START_OBJECT ? new Obj(open.peek(), name) : null;
                open.push(new Level(open.peek(), object, name));
            }
            case END_OBJECT -> end(open.pop());
            case END_ARRAY -> open.pop();
            case PROPERTY_NAME -> {
                // Its value follows.
            }
            default -> value(parser, token);
        }
    }

    private void value(JsonParser parser, JsonToken token) throws IOException {
        order++;
        if (open.isEmpty()) {
            return;
        }
        String name = open.peek().name(parser);
        Obj object = open.peek().object;
        if (token == JsonToken.VALUE_STRING && listener.wantsTexts()) {
            StringBuilder at = new StringBuilder();
            pointer(open.peek(), name).forEach(step -> at.append('/').append(Obj.escaped(step)));
            listener.text(new SourcePosition.InTree(at.toString(), order), bounded(parser));
        } else if (object != null) {
            boolean simple = token == JsonToken.VALUE_STRING || token.isNumeric();
            object.values.put(name, new Value(simple ? bounded(parser) : "", order));
        }
    }

    private static String bounded(JsonParser parser) throws IOException {
        int length = parser.getStringLength();
        return length <= MAX_VALUE ? parser.getString() : new String(parser.getStringCharacters(), parser.getStringOffset(), MAX_VALUE);
    }

    private void end(Level level) {
        if (level.object == null) {
            return;
        }
        Obj around = open.isEmpty() ? null : open.peek().object;
        if (around != null && lifted.contains(level.nameAbove)) {
            level.object.values.forEach((key, value) -> around.values.put(level.nameAbove + "." + key, value));
        }
        listener.object(level.object);
    }

    /** The names from the top down to a value in an open object or array; the top itself has none. */
    private static List<String> pointer(Level around, String name) {
        List<String> names = new ArrayList<>();
        String below = name;
        for (Level level = around; level != null; level = level.around) {
            names.add(below);
            below = level.nameAbove;
        }
        Collections.reverse(names);
        return names;
    }

    private static SourcePosition place(JsonParser parser) {
        var location = parser.currentLocation();
        return location == null || location.getLineNr() < 1 ? SourcePosition.WHOLE
                : new SourcePosition.InText(location.getLineNr(), Math.max(1, location.getColumnNr()));
    }
}
