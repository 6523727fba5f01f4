package org.opensatchel.formats.latex;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * LaTeX texts (the LaTeX2e reference manual, sections 22 on input files and 23 on graphics): included texts, pictures, bibliographies
 * and listings. A name without an ending means a file with any of those that are tried; paths count from the text that is typeset.
 */
final class LatexLinks implements LinkReader {

    private static final int LONGEST = 300;
    private static final List<String> PICTURES = List.of(".pdf", ".png", ".jpg", ".jpeg", ".eps", ".svg", ".mps");
    private static final Map<String, List<String>> COMMANDS = Map.ofEntries(Map.entry("includegraphics", PICTURES),
            Map.entry("includesvg", List.of(".svg")),
            Map.entry("includepdf", List.of(".pdf")), Map.entry("input", List.of(".tex")), Map.entry("include", List.of(".tex")),
            Map.entry("subfile", List.of(".tex")), Map.entry("bibliography", List.of(".bib")), Map.entry("addbibresource", List.of()),
            Map.entry("lstinputlisting", List.of()), Map.entry("verbatiminput", List.of()), Map.entry("inputminted", List.of()));
    private static final Pattern COMMAND = Pattern.compile("\\\\(" + String.join("|", COMMANDS.keySet())
            + ")\\*?\\s*(?:\\[[^\\]]{0,400}\\]\\s*){0,2}\\{([^{}]{1,400})\\}(?:\\s*\\{([^{}]{1,400})\\})?");
    /** What comes with every installation, and is found there. */
    private static final Pattern SHIPPED = Pattern
            .compile("example-(?:image|grid).*|IEEE(?:abrv|full|example)|glyphtounicode(?:\\.tex)?|pstricks|null\\.tex");
    private static final Pattern FOLDERS = Pattern.compile("\\\\graphicspath\\s*\\{((?:\\s*\\{[^{}]{1,200}\\}){1,20})\\s*\\}");
    private static final Pattern FOLDER = Pattern.compile("\\{([^{}]+)\\}");
    /** The beginning of what is printed as it stands. */
    private static final Pattern PRINTED = Pattern.compile("\\\\begin\\{((?:verbatim|lstlisting|comment)\\*?)\\}");
    private static final int LONGEST_BEGIN = 30;

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("tex") || extension.equals("ltx");
    }

    @Override
    public boolean countsFromIncluder() {
        return true;
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        String whole = TextDecoding.decode(bytes);
        LineIndex lines = new LineIndex(whole);
        String text = blanked(whole);
        List<String> folders = folders(text);
        Matcher command = COMMAND.matcher(text);
        while (command.find()) {
            String name = command.group(1);
            boolean second = name.equals("inputminted");
            String names = second ? command.group(3) : command.group(2);
            int start = second ? command.start(3) : command.start(2);
            if (names == null) {
                continue;
            }
            int at = start;
            for (String each : name.equals("bibliography") ? names.split(",") : new String[]{names}) {
                add(sink, lines, at, each, COMMANDS.get(name), name.equals("includegraphics") ? folders : List.of(),
                        name.equals("input") || name.equals("include") || name.equals("subfile"));
                at += each.length() + 1;
            }
        }
    }

    private static void add(LinkSink sink, LineIndex lines, int start, String written, List<String> endings, List<String> folders,
            boolean includes) {
        String name = written.strip().replaceAll("^\"|\"$", "");
        // A name that a macro makes is not known before it is typeset.
        if (SHIPPED.matcher(name).matches()) {
            return;
        }
        if (name.isEmpty() || name.length() > LONGEST || name.indexOf('\\') >= 0 || name.indexOf('#') >= 0) {
            return;
        }
        List<String> also = new ArrayList<>();
        Stream.concat(Stream.of(""), folders.stream()).forEach(folder -> {
            if (!folder.isEmpty()) {
                also.add(folder + name);
            }
            endings.forEach(ending -> also.add(folder + name + ending));
        });
        LinkSink.Draft link = sink.link(lines.at(start + written.indexOf(name)), name, Notation.PLAIN).also(also);
        (includes ? link.including() : link).add();
    }

    private static List<String> folders(String text) {
        List<String> out = new ArrayList<>();
        Matcher folders = FOLDERS.matcher(text);
        while (folders.find()) {
            Matcher folder = FOLDER.matcher(folders.group(1));
            while (folder.find()) {
                out.add(folder.group(1).endsWith("/") ? folder.group(1) : folder.group(1) + "/");
            }
        }
        return out;
    }

    /** The text with blanks in place of what is left out, so that places stay. */
    private static String blanked(String text) {
        StringBuilder out = new StringBuilder(text);
        Set<String> endless = new HashSet<>();
        int at = 0;
        while (at < text.length()) {
            char c = text.charAt(at);
            if (c == '\\') {
                Matcher begins = PRINTED.matcher(text).region(at, Math.min(text.length(), at + LONGEST_BEGIN));
                String end = begins.lookingAt() ? "\\end{" + begins.group(1) + "}" : "";
                int ends = end.isEmpty() || endless.contains(end) ? -1 : text.indexOf(end, at);
                if (!end.isEmpty() && ends < 0) {
                    // Looked for once: a text may begin such a part very often.
                    endless.add(end);
                }
                int stop = ends < 0 ? at : ends + end.length();
                blank(out, at, stop);
                at = Math.max(stop, at + 2);
            } else if (c == '%') {
                int line = text.indexOf('\n', at);
                int stop = line < 0 ? text.length() : line;
                blank(out, at, stop);
                at = stop;
            } else {
                at++;
            }
        }
        return out.toString();
    }

    private static void blank(StringBuilder text, int from, int to) {
        for (int i = from; i < to; i++) {
            if (text.charAt(i) != '\n') {
                text.setCharAt(i, ' ');
            }
        }
    }
}
