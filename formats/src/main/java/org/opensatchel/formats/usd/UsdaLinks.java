package org.opensatchel.formats.usd;

import java.io.IOException;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Universal Scene Description, text form (the AOUSD core specification, text file format): every asset path, whether a
 * layer, a reference, a payload, an attribute, one of a list or inside a variant, in one or three at-signs. Strings and
 * comments are not read.
 */
final class UsdaLinks implements LinkReader {

    /** How the binary form begins, which is told of and not read. */
    private static final String BINARY = "PXR-USDC";
    private static final String ARGUMENTS = ":SDF_FORMAT_ARGS:";

    @Override
    public boolean recognises(String extension, Head head) {
        return head.text().startsWith("#usda ") || extension.equals("usda") || head.text().startsWith(BINARY);
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek(8);
        if (start.startsWith('P', 'X', 'R', '-', 'U', 'S', 'D', 'C')) {
            ReadWording what = document.path().extension().equals("usda") ? ReadWording.BINARY_BY_NAME : ReadWording.BINARY;
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.BINARY, SourcePosition.WHOLE, what.say()));
        }
        byte[] bytes = start.content().bytes();
        TextDecoding.requireText(bytes);
        new Walk(TextDecoding.decode(bytes), sink).walk();
    }

    private static final class Walk {
        private final String text;
        private final LineIndex lines;
        private final LinkSink sink;

        Walk(String text, LinkSink sink) {
            this.text = text;
            this.lines = new LineIndex(text);
            this.sink = sink;
        }

        void walk() throws Unreadable {
            int at = 0;
            while (at < text.length()) {
                char c = text.charAt(at);
                if (c == '#') {
                    while (at < text.length() && text.charAt(at) != '\n' && text.charAt(at) != '\r') {
                        at++;
                    }
                } else if (c == '/' && text.startsWith("/*", at)) {
                    int end = text.indexOf("*/", at + 2);
                    at = end < 0 ? text.length() : end + 2;
                } else if (c == '/' && text.startsWith("//", at)) {
                    int end = text.indexOf('\n', at);
                    at = end < 0 ? text.length() : end;
                } else if (c == '"' || c == '\'') {
                    at = stringEnd(at, c);
                } else if (c == '@') {
                    at = asset(at);
                } else {
                    at++;
                }
            }
        }

        private int stringEnd(int start, char mark) throws Unreadable {
            String three = String.valueOf(mark).repeat(3);
            boolean block = text.startsWith(three, start);
            int at = start + (block ? 3 : 1);
            while (at < text.length()) {
                char c = text.charAt(at);
                if (c == '\\') {
                    at += 2;
                } else if (block ? text.startsWith(three, at) : c == mark) {
                    return at + (block ? 3 : 1);
                } else if (!block && c == '\n') {
                    return at;
                } else {
                    at++;
                }
            }
            throw Unreadable.broken(lines.at(start), ReadWording.TEXT_BREAKS_OFF);
        }

        private int asset(int start) throws Unreadable {
            boolean three = text.startsWith("@@@", start);
            int from = start + (three ? 3 : 1);
            int end = from;
            StringBuilder path = new StringBuilder();
            while (end < text.length() && !(three ? text.startsWith("@@@", end) : text.charAt(end) == '@')) {
                boolean escaped = three && text.startsWith("\\@@@", end);
                path.append(escaped ? "@@@" : String.valueOf(text.charAt(end)));
                end += escaped ? 4 : 1;
            }
            if (end >= text.length() || (!three && path.indexOf("\n") >= 0)) {
                throw Unreadable.broken(lines.at(start), ReadWording.PATH_BREAKS_OFF);
            }
            // A path may itself end in at-signs before the three that close it.
            while (three && text.startsWith("@", end + 3)) {
                path.append('@');
                end++;
            }
            link(from, path.toString());
            return end + (three ? 3 : 1);
        }

        private void link(int offset, String path) {
            String reading = path.contains(ARGUMENTS) ? path.substring(0, path.indexOf(ARGUMENTS)) : path;
            int bracket = reading.indexOf('[');
            if (bracket > 0 && reading.endsWith("]")
                    && reading.substring(0, bracket).toLowerCase(java.util.Locale.ROOT).endsWith(".usdz")) {
                reading = reading.substring(0, bracket);
            }
            if (reading.startsWith("`")) {
                // An expression of variables, which the scene's settings fill in.
                reading = "${" + "expression}/";
            }
            sink.link(lines.at(offset), path, Notation.PLAIN).reading(reading).including().add();
        }
    }
}
