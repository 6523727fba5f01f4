package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.opensatchel.formats.described.Where.Part;

/** One line of a text, taken apart into words and what stands in quotation marks. */
final class LineParts {

    private static final int MOST_TOKENS = 100_000;
    private static final int MOST_LABELS = 64;
    private static final int MOST_NUMBER = 8;
    private static final Set<String> SCHEMES = Set.of("file", "http", "https", "ftp", "smb", "afp", "nfs");
    private static final String SEPARATORS = " \t,;|=()[]{}<>";
    private static final String QUOTES = "\"'`<";
    private static final String CLOSING = "\"'`>";

    private final String line;
    private final int start;
    private final int end;
    private List<Token> tokens;

    /** A value and where it begins in the line. */
    record Piece(int at, String text) {}

    private record Token(int from, int to, boolean quoted, String after) {}

    LineParts(String line) {
        this.line = line;
        int from = 0;
        int to = line.length();
        while (from < to && line.charAt(from) <= ' ') {
            from++;
        }
        while (to > from && line.charAt(to - 1) <= ' ') {
            to--;
        }
        start = from;
        end = to;
    }

    boolean isBlank() {
        return start == end;
    }

    /** Whether it has a sign that paths have: a slash, or a dot before a letter. */
    boolean hasPathSign() {
        for (int i = start; i < end; i++) {
            char c = line.charAt(i);
            if (c == '/' || c == '\\' || (c == '.' && i + 1 < end && Character.isLetter(line.charAt(i + 1)))) {
                return true;
            }
        }
        return false;
    }

    /** Whether it is written for people: behind a sign that begins a comment. */
    boolean isComment() {
        String text = line.substring(start, Math.min(end, start + 3));
        return text.startsWith("//") || text.startsWith("/*") || text.startsWith("* ") || text.startsWith(";") || text.startsWith("--")
                || text.startsWith("<!") || text.startsWith("# ") || text.startsWith("##") || text.startsWith("#!") || text.equals("#");
    }

    /** The column of a place in it, from 1, in code points. */
    int column(int at) {
        return line.codePointCount(0, at) + 1;
    }

    String stripped() {
        return line.substring(start, end);
    }

    /** The first word, its digits as {@code #}; a quotation mark where the line begins with one. */
    String first() {
        int i = start;
        while (i < end && QUOTES.indexOf(line.charAt(i)) < 0 && (SEPARATORS.indexOf(line.charAt(i)) >= 0 || isColon(i))) {
            i++;
        }
        if (i >= end) {
            return "";
        }
        int quote = QUOTES.indexOf(line.charAt(i));
        if (quote >= 0 && closing(i + 1, CLOSING.charAt(quote)) >= 0) {
            return "\"";
        }
        while (i < end && SEPARATORS.indexOf(line.charAt(i)) >= 0) {
            i++;
        }
        return i >= end ? "" : word(line.substring(i, wordEnd(i)));
    }

    /** A word with {@code #} for each run of digits. */
    static String word(String text) {
        StringBuilder out = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean digit = c >= '0' && c <= '9';
            if (!digit) {
                out.append(c);
            } else if (out.isEmpty() || out.charAt(out.length() - 1) != '#') {
                out.append('#');
            }
        }
        return out.toString();
    }

    private List<Token> tokens() {
        if (tokens == null) {
            tokens = new ArrayList<>();
            tokenize();
        }
        return tokens;
    }

    private void tokenize() {
        int i = start;
        String label = "";
        while (i < end && tokens.size() < MOST_TOKENS) {
            char c = line.charAt(i);
            int quote = QUOTES.indexOf(c);
            int close = quote < 0 ? -1 : closing(i + 1, CLOSING.charAt(quote));
            if (close >= 0) {
                tokens.add(new Token(i + 1, close, true, label));
                label = "";
                i = close + 1;
            } else if (SEPARATORS.indexOf(c) >= 0 || isColon(i)) {
                // A word says what follows it only when nothing but blanks and a sign of assignment stands between.
                label = c == ' ' || c == '\t' || c == '=' || c == ':' || c == '(' ? label : "";
                i++;
            } else {
                int to = wordEnd(i);
                tokens.add(new Token(i, to, false, label));
                String word = line.substring(i, to);
                label = isName(word) ? word(word) : "";
                i = to;
            }
        }
    }

    private int wordEnd(int from) {
        int i = from;
        while (i < end) {
            char c = line.charAt(i);
            boolean opens = (c == '{' || c == '(') && i > from && line.charAt(i - 1) == '$';
            if (opens) {
                int close = line.indexOf(c == '{' ? '}' : ')', i);
                if (close > 0 && close < end && close - i < 40) {
                    i = close + 1;
                    continue;
                }
            }
            if (c == '[' && i > from) {
                int close = line.indexOf(']', i);
                if (close > 0 && close < end && close - i < 40) {
                    i = close + 1;
                    continue;
                }
            }
            if (SEPARATORS.indexOf(c) >= 0 || (i > from && isColon(i))) {
                break;
            }
            i++;
        }
        return Math.max(i, from + 1);
    }

    /** Whether a colon parts a word from what follows, as in {@code file: a.png}; no drive's, and no scheme's. */
    private boolean isColon(int at) {
        if (line.charAt(at) != ':') {
            return false;
        }
        char next = at + 1 < end ? line.charAt(at + 1) : ' ';
        int from = at;
        while (from > start && Character.isLetterOrDigit(line.charAt(from - 1))) {
            from--;
        }
        if (next == ':' || at - from == 1) {
            return false;
        }
        // At a line's beginning a word of its own stands before a whole path as well: {@code PATH:/home/…}.
        boolean begins = from == start && at > from && !SCHEMES.contains(line.substring(from, at).toLowerCase(Locale.ROOT));
        return begins || (next != '/' && next != '\\');
    }

    private int closing(int from, char quote) {
        for (int i = from; i < end; i++) {
            char c = line.charAt(i);
            if (c == '\\' && i + 1 < end && quote != '>' && (line.charAt(i + 1) == '\\'
                    || (line.charAt(i + 1) == quote && line.indexOf(quote, i + 2) >= 0 && line.indexOf(quote, i + 2) < end))) {
                i++;
            } else if (c == quote) {
                if (quote != '>' && i + 1 < end && line.charAt(i + 1) == quote && i > from) {
                    i++;
                } else {
                    return i;
                }
            }
        }
        return -1;
    }

    private static boolean isName(String word) {
        char first = word.charAt(0);
        boolean letter = Character.isLetter(first) || "_@$%-#.!".indexOf(first) >= 0;
        return letter && word.length() <= 40 && word.indexOf('/') < 0 && word.indexOf('\\') < 0;
    }

    /** The values of a part; several where a word comes up more than once. */
    List<Piece> values(Part part) {
        List<Piece> out = new ArrayList<>(1);
        switch (part.kind()) {
            case WHOLE -> add(out, start, end);
            case REST -> rest(out, tokens().isEmpty() ? end : tokens().get(0).to + (tokens().get(0).quoted ? 1 : 0), true);
            case FROM -> {
                List<Token> words = tokens().stream().filter(token -> !token.quoted).toList();
                if (words.size() >= part.number()) {
                    rest(out, words.get(part.number() - 1).from, false);
                }
            }
            case QUOTED, WORD -> {
                List<Token> of = tokens().stream().filter(token -> token.quoted == (part.kind() == Part.Kind.QUOTED)).toList();
                if (of.size() >= part.number()) {
                    Token token = of.get(part.number() - 1);
                    add(out, token.from, token.to);
                }
            }
            case AFTER ->
                tokens().stream().filter(token -> token.after.equals(part.word())).forEach(token -> add(out, token.from, token.to));
        }
        return out;
    }

    /** All parts that a line has, each with what stands there. */
    List<Part> parts() {
        Set<Part> out = new LinkedHashSet<>();
        Set<String> labels = new HashSet<>();
        int quoted = 0;
        int words = 0;
        for (Token token : tokens()) {
            if (!token.after.isEmpty() && labels.size() < MOST_LABELS && labels.add(token.after)) {
                out.add(new Part(Part.Kind.AFTER, 0, token.after));
            }
            int number = token.quoted ? ++quoted : ++words;
            if (number <= MOST_NUMBER) {
                out.add(new Part(token.quoted ? Part.Kind.QUOTED : Part.Kind.WORD, number, ""));
                if (!token.quoted && number > 1) {
                    out.add(new Part(Part.Kind.FROM, number, ""));
                }
            }
        }
        if (tokens().size() > 1) {
            out.add(new Part(Part.Kind.REST, 0, ""));
        }
        out.add(new Part(Part.Kind.WHOLE, 0, ""));
        return List.copyOf(out);
    }

    private void rest(List<Piece> out, int from, boolean assigned) {
        int at = from;
        boolean sign = !assigned;
        while (at < end && (line.charAt(at) <= ' ' || (!sign && (line.charAt(at) == '=' || line.charAt(at) == ':')))) {
            sign |= line.charAt(at) > ' ';
            at++;
        }
        int to = end;
        if (to > at && (line.charAt(to - 1) == ';' || line.charAt(to - 1) == ',')) {
            to--;
        }
        int quote = at < to ? QUOTES.indexOf(line.charAt(at)) : -1;
        if (quote >= 0 && to - at > 1 && line.charAt(to - 1) == CLOSING.charAt(quote) && closing(at + 1, CLOSING.charAt(quote)) == to - 1) {
            add(out, at + 1, to - 1);
        } else {
            add(out, at, to);
        }
    }

    private void add(List<Piece> out, int from, int to) {
        if (from <= to) {
            out.add(new Piece(from, line.substring(from, to)));
        }
    }
}
