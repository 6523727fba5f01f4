package org.opensatchel.formats.css;

import java.util.Locale;
import java.util.Set;

/**
 * Finds the URLs in a style sheet by its tokens (CSS Syntax Level 3, section 4.3): {@code url(…)}, the strings of
 * {@code @import} and of {@code image-set()} and {@code src()}. Comments are no place for links, nor is {@code @namespace}.
 */
public final class CssScan {

    /** Takes the URLs. */
    public interface Listener {

        /**
         * @param offset where the first character of the URL itself stands
         * @param alternatives what it shares with those of which one is enough, as the sources of a font; empty where it stands alone
         */
        void url(int offset, String url, String alternatives);
    }

    /** At-rules whose string names another sheet; the last three are those of languages that extend CSS. */
    private static final Set<String> IMPORTING = Set.of("@import", "@use", "@forward", "@require");

    private final String css;
    private final Listener listener;
    private int at;
    /** The at-rule whose prelude is being read, empty outside. */
    private String rule = "";
    private int imageSetDepth = -1;
    private int imageSet;
    /** Where the block that describes one font begins, or −1 outside of one. */
    private int font = -1;
    private int depth;

    public CssScan(String css, Listener listener) {
        this.css = css;
        this.listener = listener;
    }

    public void read() {
        while (at < css.length()) {
            char c = css.charAt(at);
            if (css.startsWith("/*", at)) {
                int end = css.indexOf("*/", at + 2);
                at = end < 0 ? css.length() : end + 2;
            } else if (c == '"' || c == '\'') {
                string();
            } else if (c == '@' || isNameStart(c)) {
                word();
            } else {
                punctuation(c);
            }
        }
    }

    private void punctuation(char c) {
        at++;
        switch (c) {
            case '(' -> depth++;
            case ')' -> {
                depth--;
                imageSetDepth = depth < imageSetDepth ? -1 : imageSetDepth;
            }
            case ';', '{', '}' -> {
                font = c == ';' ? font : c == '{' && rule.equals("@font-face") ? at : -1;
                rule = "";
                depth = 0;
                imageSetDepth = -1;
            }
            default -> {
                // Numbers, operators and blanks.
            }
        }
    }

    private void word() {
        int start = at;
        at++;
        String name = css.charAt(start) == '@' ? "@" + name() : back(start);
        String word = name.toLowerCase(Locale.ROOT);
        if (word.startsWith("@")) {
            rule = word;
        } else if (at < css.length() && css.charAt(at) == '(') {
            at++;
            depth++;
            if (word.equals("url") || word.equals("src") || word.equals("url-prefix")) {
                url(word);
            } else if (word.equals("image-set") || word.equals("-webkit-image-set")) {
                imageSetDepth = depth;
                imageSet = start;
            }
        }
    }

    private String back(int start) {
        at = start;
        return name();
    }

    private String name() {
        StringBuilder out = new StringBuilder();
        while (at < css.length() && (isNameStart(css.charAt(at)) || Character.isDigit(css.charAt(at)))) {
            out.append(css.charAt(at) == '\\' ? escape() : css.charAt(at++));
        }
        return out.toString();
    }

    /** After {@code url(}: a string, or characters up to the bracket. */
    private void url(String word) {
        while (at < css.length() && isBlank(css.charAt(at))) {
            at++;
        }
        if (at < css.length() && (css.charAt(at) == '"' || css.charAt(at) == '\'')) {
            int start = at + 1;
            String text = quoted();
            if (word.equals("url") || word.equals("src")) {
                give(start, text);
            }
            return;
        }
        int start = at;
        StringBuilder out = new StringBuilder();
        boolean bad = false;
        while (at < css.length() && css.charAt(at) != ')') {
            char c = css.charAt(at);
            bad |= c == '"' || c == '\'' || c == '(';
            out.append(c == '\\' ? escape() : css.charAt(at++));
        }
        if (!bad && word.equals("url")) {
            give(start, out.toString().stripTrailing());
        }
    }

    private void string() {
        int start = at + 1;
        String text = quoted();
        if ((IMPORTING.contains(rule) && depth == 0) || (imageSetDepth >= 0 && depth == imageSetDepth)) {
            give(start, text);
            rule = rule.equals("@import") || rule.isEmpty() ? rule : "@imported";
        }
    }

    private void give(int start, String url) {
        if (!rule.equals("@namespace") && !rule.equals("@document")) {
            listener.url(start, url, font >= 0 ? "font " + font : imageSetDepth >= 0 ? "set " + imageSet : "");
        }
    }

    /** A quoted string; it ends at an unescaped line end, as the syntax has it. */
    private String quoted() {
        char quote = css.charAt(at++);
        StringBuilder out = new StringBuilder();
        while (at < css.length()) {
            char c = css.charAt(at);
            if (c == quote) {
                at++;
                break;
            }
            if (c == '\n') {
                break;
            }
            out.append(c == '\\' ? escape() : css.charAt(at++));
        }
        return out.toString();
    }

    /** An escape, the reader standing on its backslash: up to six hexadecimal digits and a blank, or any character. */
    private String escape() {
        at++;
        int start = at;
        while (at < css.length() && at - start < 6 && Character.digit(css.charAt(at), 16) >= 0 && css.charAt(at) < 128) {
            at++;
        }
        if (at == start) {
            return literal();
        }
        int point = Integer.parseInt(css.substring(start, at), 16);
        if (css.startsWith("\r\n", at)) {
            at += 2;
        } else if (at < css.length() && isBlank(css.charAt(at))) {
            at++;
        }
        boolean valid = point > 0 && Character.isValidCodePoint(point) && !(point >= 0xD800 && point <= 0xDFFF);
        return valid ? Character.toString(point) : "\uFFFD";
    }

    private String literal() {
        if (at >= css.length()) {
            return "";
        }
        if (css.charAt(at) == '\n' || css.charAt(at) == '\r') {
            at += css.startsWith("\r\n", at) ? 2 : 1;
            return "";
        }
        int point = css.codePointAt(at);
        at += Character.charCount(point);
        return Character.toString(point);
    }

    private static boolean isNameStart(char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' || c == '-' || c == '\\' || c > 127;
    }

    private static boolean isBlank(char c) {
        return c == ' ' || c == '\t' || c == '\n' || c == '\r' || c == '\f';
    }
}
