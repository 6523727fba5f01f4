package org.opensatchel.formats.sfz;

import java.io.IOException;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.Lines;
import org.opensatchel.formats.text.TextDecoding;

/**
 * SFZ instruments (the format's published description, versions 1 and 2): {@code sample}s under the {@code default_path}
 * that stands before them, and included files. Names may hold spaces, and end where the next opcode or header begins;
 * backslashes separate folders as slashes do. A name that begins with an asterisk is a wave the player makes itself.
 */
final class SfzLinks implements LinkReader {

    private static final Pattern PART = Pattern
            .compile("<(\\w+)>|(?<![\\w$])(\\w+)=|#include\\s+\"([^\"]*)\"|#define\\s+(\\$\\w+)\\s+(\\S+)");
    private static final Pattern NEXT = Pattern.compile("\\s+(?:[\\w$]+=|#include\\s|#define\\s|<\\w+>)|\\s*<\\w+>|\\s*//");
    private static final int LONGEST_LINE = 100_000;

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("sfz") || extension.equals("sfzh");
    }

    @Override
    public boolean countsFromIncluder() {
        return true;
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        Walk walk = new Walk(sink);
        Lines.each(TextDecoding.decode(bytes), walk::line);
    }

    private static final class Walk {
        private final LinkSink sink;
        /** The longest name first: one may be the beginning of another. */
        private final Map<String, String> defined = new TreeMap<>(
                (a, b) -> a.length() != b.length() ? Integer.compare(b.length(), a.length()) : a.compareTo(b));
        private String path = "";
        private boolean inComment;

        Walk(LinkSink sink) {
            this.sink = sink;
        }

        void line(int number, String whole) {
            String line = uncommented(whole.length() > LONGEST_LINE ? whole.substring(0, LONGEST_LINE) : whole);
            Matcher part = PART.matcher(line);
            int at = 0;
            while (at <= line.length() && part.find(at)) {
                at = part.end();
                if (part.group(1) != null) {
                    path = part.group(1).equals("control") ? "" : path;
                } else if (part.group(3) != null) {
                    sink.link(place(number, line, part.start(3)), part.group(3), Notation.SLASHED).including(path).add();
                } else if (part.group(4) != null) {
                    defined.put(part.group(4), part.group(5));
                } else {
                    at = opcode(number, line, part.group(2), part.end());
                }
            }
        }

        /** Takes an opcode's value; gives where it ends. */
        private int opcode(int number, String line, String name, int start) {
            if (!name.equals("sample") && !name.equals("default_path")) {
                return start;
            }
            Matcher next = NEXT.matcher(line);
            int end = next.find(start) ? next.start() : line.length();
            String value = line.substring(start, end).strip();
            if (name.equals("default_path")) {
                path = filled(value);
            } else if (!value.startsWith("*") && !value.isEmpty()) {
                sink.link(place(number, line, start), value, Notation.SLASHED).reading(path + filled(value)).add();
            }
            return end;
        }

        private String filled(String value) {
            String out = value;
            for (Map.Entry<String, String> one : defined.entrySet()) {
                out = out.indexOf('$') < 0 ? out : out.replace(one.getKey(), one.getValue());
            }
            return out;
        }

        /** The line with blanks in place of its comments, so that places stay. */
        private String uncommented(String line) {
            StringBuilder out = new StringBuilder(line);
            int at = 0;
            while (at < out.length()) {
                if (inComment) {
                    int end = out.indexOf("*/", at);
                    int stop = end < 0 ? out.length() : end + 2;
                    blank(out, at, stop);
                    inComment = end < 0;
                    at = stop;
                } else if (out.charAt(at) == '/' && at + 1 < out.length() && out.charAt(at + 1) == '*') {
                    inComment = true;
                } else if (out.charAt(at) == '/' && at + 1 < out.length() && out.charAt(at + 1) == '/') {
                    out.setLength(at);
                } else {
                    at++;
                }
            }
            return out.toString();
        }

        private static void blank(StringBuilder text, int from, int to) {
            for (int i = from; i < to; i++) {
                text.setCharAt(i, ' ');
            }
        }

        private static SourcePosition place(int number, String line, int offset) {
            return new SourcePosition.InText(number, line.codePointCount(0, offset) + 1);
        }
    }
}
