package org.opensatchel.formats.guessed;

import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/** A text whose values are assigned or quoted, as a program writes it; what people write is left alone. */
final class AssignedText {

    /** Endings under which both are met. */
    static final Set<String> ENDINGS = Set.of("txt", "text", "ini", "cfg", "yml", "yaml", "toml", "properties", "csv", "tsv");
    private static final int LONGEST_LINE = 2_000;
    /** So many of ten lines have to be statements. */
    private static final int MOST_OF_TEN = 6;

    private AssignedText() {
    }

    /** Hands over what looks like paths among the values. */
    static void read(byte[] content, RawScan.Listener listener) {
        String text = TextDecoding.decode(content);
        if (!isAssigned(text)) {
            return;
        }
        LineIndex lines = new LineIndex(text);
        int at = 0;
        for (String line : text.split("\n", -1)) {
            Optional<int[]> value = value(line);
            if (value.isPresent()) {
                String path = line.substring(value.get()[0], value.get()[1]);
                if (isPath(path)) {
                    listener.path(lines.at(at + value.get()[0]), path);
                }
            }
            at += line.length() + 1;
        }
    }

    private static boolean isAssigned(String text) {
        int lines = 0;
        int statements = 0;
        for (String line : text.split("\n", -1)) {
            if (!line.isBlank()) {
                lines++;
                String bare = line.strip();
                boolean head = bare.startsWith("[") || bare.equals("{") || bare.equals("}");
                statements += head || value(line).isPresent() ? 1 : 0;
            }
        }
        return lines > 0 && statements * 10 >= lines * MOST_OF_TEN;
    }

    /** Where a line's value stands: behind a word and a sign of assignment, or in quotation marks behind a word; a sentence has none. */
    private static Optional<int[]> value(String line) {
        if (line.length() > LONGEST_LINE) {
            return Optional.empty();
        }
        int from = 0;
        while (from < line.length() && (line.charAt(from) <= ' ' || line.charAt(from) == '-')) {
            from++;
        }
        int word = from;
        while (word < line.length() && (Character.isLetterOrDigit(line.charAt(word)) || "_.-[]/".indexOf(line.charAt(word)) >= 0)) {
            word++;
        }
        int at = word;
        while (at < line.length() && line.charAt(at) == ' ') {
            at++;
        }
        boolean assigned = word > from && at < line.length() && (line.charAt(at) == '=' || (line.charAt(at) == ':' && at == word));
        at += assigned ? 1 : 0;
        while (at < line.length() && line.charAt(at) == ' ') {
            at++;
        }
        int end = line.stripTrailing().length();
        char quote = at < end ? line.charAt(at) : 0;
        if (word > from && (quote == '"' || quote == '\'') && line.indexOf(quote, at + 1) > 0) {
            return Optional.of(new int[]{at + 1, line.indexOf(quote, at + 1)});
        }
        return assigned && at <= end ? Optional.of(new int[]{at, end}) : Optional.empty();
    }

    private static boolean isPath(String text) {
        if (text.length() < 4 || text.length() > FoundPath.LONGEST) {
            return false;
        }
        LinkForm form = LinkText.read(text, Notation.PLAIN).map(address -> address.form()).orElse(LinkForm.EMBEDDED);
        return form.isAbsolute() ? FoundPath.isFile(text) : form == LinkForm.RELATIVE && FoundPath.isRelative(text);
    }
}
