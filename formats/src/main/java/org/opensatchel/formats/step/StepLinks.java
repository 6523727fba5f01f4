package org.opensatchel.formats.step;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * STEP files (ISO 10303-21): the files that {@code DOCUMENT_FILE} and {@code APPLIED_EXTERNAL_IDENTIFICATION_ASSIGNMENT}
 * name, external sources that are paths, and the URIs of a reference section (edition 3, clause 10). Strings are undone as
 * clause 6.4 says. The names in the header are the file's own.
 */
final class StepLinks implements LinkReader {

    private static final Set<String> NAMING = Set.of("DOCUMENT_FILE", "APPLIED_EXTERNAL_IDENTIFICATION_ASSIGNMENT", "EXTERNAL_SOURCE",
            "IDENTIFIER");
    private static final Set<String> MODELS = Set.of("stp", "step", "p21", "stpz", "stpx", "jt", "igs", "iges", "prt", "sat", "dxf", "pdf",
            "ifc", "stl");

    @Override
    public boolean recognises(String extension, Head head) {
        return head.text().startsWith("ISO-10303-21") || (head.text().startsWith("/*") && head.text().contains("ISO-10303-21"));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        String text = TextDecoding.decode(bytes);
        new Walk(text, sink).walk();
    }

    private static final class Walk {
        private final String text;
        private final LineIndex lines;
        private final LinkSink sink;
        private int at;
        private String entity = "";
        private boolean first;
        private boolean references;

        Walk(String text, LinkSink sink) {
            this.text = text;
            this.lines = new LineIndex(text);
            this.sink = sink;
        }

        void walk() throws Unreadable {
            while (at < text.length()) {
                char c = text.charAt(at);
                if (c == '/' && text.startsWith("/*", at)) {
                    int end = text.indexOf("*/", at + 2);
                    at = end < 0 ? text.length() : end + 2;
                } else if (c == '\'') {
                    string();
                } else if (c == '<' && references) {
                    address();
                } else if ((c >= 'A' && c <= 'Z') || c == '_') {
                    word();
                } else {
                    first = c == '(' || (first && c <= ' ');
                    entity = c == ';' ? "" : entity;
                    at++;
                }
            }
        }

        private void word() {
            int start = at;
            while (at < text.length() && (Character.isLetterOrDigit(text.charAt(at)) || text.charAt(at) == '_' || text.charAt(at) == '-')) {
                at++;
            }
            entity = text.substring(start, at);
            references = entity.equals("REFERENCE") || (references && !entity.equals("ENDSEC"));
        }

        private void string() throws Unreadable {
            int start = at + 1;
            int end = start;
            while (end < text.length() && (text.charAt(end) != '\'' || text.startsWith("''", end))) {
                end += text.startsWith("''", end) ? 2 : 1;
            }
            if (end >= text.length()) {
                throw Unreadable.broken(lines.at(at), ReadWording.TEXT_BREAKS_OFF);
            }
            at = end + 1;
            if (NAMING.contains(entity) && first) {
                String name = undone(text.substring(start, end));
                if (isFile(name)) {
                    sink.add(lines.at(start), name, Notation.PLAIN);
                }
            }
            first = false;
        }

        private void address() {
            int end = text.indexOf('>', at);
            int start = at + 1;
            at = end < 0 ? text.length() : end + 1;
            if (end > 0) {
                sink.add(lines.at(start), text.substring(start, end), Notation.URI);
            }
        }

        /** Numbers of documents and of parts stand in the same places as names of files. */
        private boolean isFile(String name) {
            int dot = name.lastIndexOf('.');
            String extension = dot < 1 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
            return MODELS.contains(extension) || sink.endings().kind(extension) != FileKind.OTHER;
        }

        /** The controls of a string: {@code ''}, {@code \\}, {@code \S\}, {@code \X\}, {@code \X2\}, {@code \X4\}. */
        private static String undone(String written) {
            StringBuilder out = new StringBuilder();
            int i = 0;
            while (i < written.length()) {
                if (written.startsWith("''", i) || written.startsWith("\\\\", i)) {
                    out.append(written.charAt(i));
                    i += 2;
                } else if (written.startsWith("\\S\\", i) && i + 3 < written.length()) {
                    out.append((char) (written.charAt(i + 3) + 128));
                    i += 4;
                } else if (written.startsWith("\\X2\\", i) || written.startsWith("\\X4\\", i)) {
                    int end = written.indexOf("\\X0\\", i);
                    out.append(end < 0 ? written.substring(i) : wide(written.substring(i + 4, end), written.charAt(i + 2) == '2' ? 2 : 4));
                    i = end < 0 ? written.length() : end + 4;
                } else if (written.startsWith("\\X\\", i) && i + 5 <= written.length()) {
                    out.append(wide("00" + written.substring(i + 3, i + 5), 2));
                    i += 5;
                } else {
                    out.append(written.charAt(i++));
                }
            }
            return out.toString();
        }

        private static String wide(String hex, int bytes) {
            if (hex.length() % 2 != 0 || !hex.chars().allMatch(c -> Character.digit(c, 16) >= 0)) {
                return hex;
            }
            byte[] out = new byte[hex.length() / 2];
            for (int i = 0; i < out.length; i++) {
                out[i] = (byte) Integer.parseInt(hex.substring(2 * i, 2 * i + 2), 16);
            }
            return new String(out, bytes == 2 ? StandardCharsets.UTF_16BE : java.nio.charset.Charset.forName("UTF-32BE"));
        }
    }
}
