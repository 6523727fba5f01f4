package org.opensatchel.formats.described;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.TextDecoding;

/** What a document is made of once it is unwrapped, and so how its values are come by. */
public enum Content {
    XML, JSON, JSON_LINES, PROPERTY_LIST, BINARY_PROPERTY_LIST, DATABASE, TABLE, TEXT, BYTES;

    private static final int HEAD = 64 << 10;
    private static final Charset UTF_32LE = Charset.forName("UTF-32LE");
    private static final Charset UTF_32BE = Charset.forName("UTF-32BE");

    /** How a profile writes it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** What a content may be, the likeliest first. */
    public static List<Content> of(byte[] bytes) {
        List<Content> out = new ArrayList<>();
        Head head = head(bytes);
        if (head.startsWith('b', 'p', 'l', 'i', 's', 't', '0', '0')) {
            return List.of(BINARY_PROPERTY_LIST);
        }
        if (Database.isOne(bytes)) {
            return List.of(DATABASE);
        }
        // What it begins with tells; the rest of a long one need not be decoded for that.
        Optional<String> text = text(bytes.length <= HEAD ? bytes : Arrays.copyOf(bytes, HEAD));
        if (text.isEmpty()) {
            return List.of(BYTES);
        }
        if (head.looksLikeXml()) {
            out.add(head.xmlRoot().equals("plist") ? PROPERTY_LIST : XML);
        } else if (head.looksLikeJson()) {
            out.add(JSON);
            out.add(JSON_LINES);
        } else if (Sheet.sign(text.get()).isPresent()) {
            out.add(TABLE);
        }
        out.add(TEXT);
        return out;
    }

    /** The local name of the first XML element. */
    public static String xmlRoot(byte[] bytes) {
        return head(bytes).xmlRoot();
    }

    static Head head(byte[] bytes) {
        return new Head(bytes.length <= HEAD ? bytes : Arrays.copyOf(bytes, HEAD));
    }

    /** Walks a tree along a trail. */
    void read(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        walk(bytes, trail, sink);
    }

    /** Hands over the values at places that are looked for; conditions: whether what stands beside them matters. */
    public void read(byte[] bytes, Set<Where> sought, boolean conditions, SpotSink sink) throws Unreadable {
        if (isTree()) {
            walk(bytes, Trail.sought(sought, conditions), sink);
        } else if (this == TEXT) {
            LineWalk.read(text(bytes).orElse(""), sought, sink);
        } else {
            ByteWalk.read(bytes, sought, sink);
        }
    }

    /**
     * Hands over every value there is; of bytes that are no text nothing, since what they are is not known before it is sought.
     *
     * @return what the document is made of: the names of its places, or how its lines begin
     */
    public Set<String> explore(byte[] bytes, SpotSink sink) throws Unreadable {
        if (isTree()) {
            Trail.Explored top = (Trail.Explored) Trail.explored();
            walk(bytes, top, sink);
            return top.known();
        }
        Set<String> known = new TreeSet<>();
        if (this == TEXT) {
            LineWalk.explore(text(bytes).orElse(""), known, sink);
        }
        return known;
    }

    private void walk(byte[] bytes, Trail trail, SpotSink sink) throws Unreadable {
        switch (this) {
            case XML -> TreeReading.xml(bytes, trail, sink);
            case JSON -> TreeReading.json(bytes, false, trail, sink);
            case JSON_LINES -> TreeReading.json(bytes, true, trail, sink);
            case PROPERTY_LIST -> TreeReading.propertyList(bytes, trail, sink);
            case BINARY_PROPERTY_LIST -> BinaryList.read(bytes, trail, sink);
            case DATABASE -> Database.read(bytes, trail, sink);
            default -> {
                String text = text(bytes).orElse("");
                Optional<Character> sign = Sheet.sign(text);
                if (sign.isPresent()) {
                    Sheet.read(text, sign.get(), trail, sink);
                }
            }
        }
    }

    /** Whether its places are names on the way down a tree. */
    public boolean isTree() {
        return this != TEXT && this != BYTES;
    }

    /** The text of bytes in UTF-8, UTF-16 or UTF-32, with or without mark, or in one byte a sign; empty where they are none. */
    public static Optional<String> text(byte[] bytes) {
        Optional<Charset> wide = wide(bytes);
        String text = wide.map(charset -> unmarked(new String(bytes, charset))).orElseGet(() -> TextDecoding.decode(bytes));
        int looked = Math.min(text.length(), HEAD);
        for (int i = 0; i < looked; i++) {
            char c = text.charAt(i);
            if (c < ' ' && c != '\n' && c != '\r' && c != '\t' && c != '\f') {
                return Optional.empty();
            }
        }
        return text.isEmpty() ? Optional.empty() : Optional.of(text);
    }

    private static String unmarked(String text) {
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static Optional<Charset> wide(byte[] bytes) {
        if (bytes.length < 4) {
            return Optional.empty();
        }
        int first = bytes[0] & 0xFF;
        int second = bytes[1] & 0xFF;
        boolean zeroThird = bytes[2] == 0;
        boolean zeroFourth = bytes[3] == 0;
        if ((first == 0xFF && second == 0xFE && zeroThird && zeroFourth) || (first != 0 && second == 0 && zeroThird && zeroFourth)) {
            return Optional.of(UTF_32LE);
        }
        if (first == 0 && second == 0 && ((bytes[2] & 0xFF) == 0xFE || (zeroThird && !zeroFourth))) {
            return Optional.of(UTF_32BE);
        }
        if ((first == 0xFF && second == 0xFE) || (isText(first) && second == 0 && isText(bytes[2] & 0xFF) && zeroFourth)) {
            return Optional.of(StandardCharsets.UTF_16LE);
        }
        if ((first == 0xFE && second == 0xFF) || (first == 0 && isText(second) && zeroThird && isText(bytes[3] & 0xFF))) {
            return Optional.of(StandardCharsets.UTF_16BE);
        }
        return Optional.empty();
    }

    private static boolean isText(int sign) {
        return sign >= ' ' || sign == '\n' || sign == '\r' || sign == '\t';
    }

    static Optional<Content> of(String word) {
        for (Content content : values()) {
            if (content.word().equals(word)) {
                return Optional.of(content);
            }
        }
        return Optional.empty();
    }

    static Collection<String> words() {
        return Arrays.stream(values()).map(Content::word).toList();
    }
}
