package org.opensatchel.formats.vrml;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.MultiString;
import org.opensatchel.formats.text.TextDecoding;
import org.opensatchel.formats.x3d.X3dLinks;

/**
 * VRML97 worlds (ISO/IEC 14772-1) and X3D scenes in classic encoding (ISO/IEC 19776-2), packed with gzip or not: the
 * fields that hold addresses, and those of {@code EXTERNPROTO}. The addresses of one list are alternatives.
 */
final class VrmlLinks implements LinkReader {

    @Override
    public boolean recognises(String extension, Head head) {
        return head.text().startsWith("#VRML V") || head.text().startsWith("#X3D V") || extension.equals("wrl") || extension.equals("x3dv")
                || extension.equals("wrz")
                || extension.equals("x3dvz");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        new Walk(TextDecoding.decode(bytes), sink).walk();
    }

    /** One pass over the words, strings and brackets of a world. */
    private static final class Walk {
        private final String text;
        private final LineIndex lines;
        private final LinkSink sink;
        private int at;
        private int groups;

        Walk(String text, LinkSink sink) {
            this.text = text;
            this.lines = new LineIndex(text);
            this.sink = sink;
        }

        void walk() {
            List<String> nodes = new ArrayList<>();
            String before = "";
            while (skipBlanks()) {
                char c = text.charAt(at);
                if (c == '"') {
                    at = MultiString.quoted(text, at + 1, new StringBuilder()) + 1;
                } else if (c == '{') {
                    nodes.add(before);
                    at++;
                } else if (c == '}') {
                    if (!nodes.isEmpty()) {
                        nodes.remove(nodes.size() - 1);
                    }
                    at++;
                } else if (c == '[' || c == ']') {
                    at++;
                } else {
                    String word = word();
                    boolean inlined = !nodes.isEmpty()
                            && (nodes.get(nodes.size() - 1).equals("Inline") || nodes.get(nodes.size() - 1).equals("GeoLOD"));
                    if (word.equals("EXTERNPROTO")) {
                        externProto();
                    } else if (X3dLinks.FIELDS.contains(word)) {
                        strings(inlined);
                    }
                    before = word;
                }
            }
        }

        /** {@code EXTERNPROTO Name [ interface ] [ "address" … ]}. */
        private void externProto() {
            if (skipBlanks()) {
                word();
            }
            if (skipBlanks() && text.charAt(at) == '[') {
                while (skipBlanks() && text.charAt(at) != ']') {
                    if (text.charAt(at) == '"') {
                        at = MultiString.quoted(text, at + 1, new StringBuilder()) + 1;
                    } else if (text.charAt(at) == '[' || text.charAt(at) == '{' || text.charAt(at) == '}') {
                        at++;
                    } else {
                        word();
                    }
                }
                at++;
            }
            strings(true);
        }

        /** The strings that follow, one or a list of them. */
        private void strings(boolean including) {
            if (!skipBlanks()) {
                return;
            }
            boolean list = text.charAt(at) == '[';
            at += list ? 1 : 0;
            List<MultiString.Item> items = new ArrayList<>();
            while (skipBlanks() && text.charAt(at) == '"' && (list || items.isEmpty())) {
                StringBuilder item = new StringBuilder();
                int start = at + 1;
                at = MultiString.quoted(text, start, item) + 1;
                items.add(new MultiString.Item(start, item.toString()));
            }
            String group = items.size() > 1 ? "list " + ++groups : "";
            for (MultiString.Item item : items) {
                LinkSink.Draft draft = sink.link(lines.at(item.offset()), item.text().strip(), Notation.URI).alternatives(group);
                (including ? draft.including() : draft).add();
            }
        }

        private boolean skipBlanks() {
            while (at < text.length()) {
                char c = text.charAt(at);
                if (c == '#') {
                    while (at < text.length() && text.charAt(at) != '\n' && text.charAt(at) != '\r') {
                        at++;
                    }
                } else if (c <= ' ' || c == ',') {
                    at++;
                } else {
                    return true;
                }
            }
            return false;
        }

        private String word() {
            int start = at;
            while (at < text.length() && text.charAt(at) > ' ' && ",\"{}[]#".indexOf(text.charAt(at)) < 0) {
                at++;
            }
            at = at == start ? at + 1 : at;
            return text.substring(start, Math.min(at, text.length()));
        }
    }
}
