package org.opensatchel.formats.script;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Scripts of web pages (ECMAScript 2024, sections 12.9.4 on strings and 16.2.2 on imports): modules that are imported by a relative
 * address, workers, and strings that end like a picture, a film, a sound, a model or a font. What a script makes of a string nobody
 * knows: all of these are guesses.
 */
public final class ScriptLinks implements LinkReader {

    /** Longer scripts are bundles, in which strings are everybody's. */
    private static final long MAX_BYTES = 1L << 20;
    private static final int LONGEST = 300;
    private static final List<String> MODULES = List.of(".js", ".mjs", ".ts", ".jsx", ".tsx", ".json", ".css", ".scss", ".vue", ".svelte",
            "/index.js", "/index.ts", "/index.jsx", "/index.tsx");
    private static final Pattern FILE = Pattern.compile("[^\\s<>\"'`|*?{}$\\\\]+(?: [^\\s<>\"'`|*?{}$\\\\]+){0,6}\\.[A-Za-z0-9]{2,5}");
    private static final Pattern IMPORTING = Pattern.compile("(?s).*(?:\\bfrom|\\bimport|\\bimport\\s*\\(|\\brequire\\s*\\()\\s*$");
    private static final Pattern STARTING = Pattern.compile("(?s).*\\b(?:Worker|SharedWorker|URL|importScripts)\\s*\\(\\s*$");
    /** What may stand before a regular expression and not before a division. */
    private static final String BEFORE_PATTERN = "(,=:[!&|?{};+-*%<>~^\n";

    @Override
    public boolean recognises(String extension, Head head) {
        return Script.FORMAT.hasEnding(extension) && !head.isBinary();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        DocumentContent.Peek start = document.peek((int) MAX_BYTES + 1);
        if (start.start().length > MAX_BYTES) {
            return;
        }
        String text = TextDecoding.decode(start.start());
        LineIndex lines = new LineIndex(text);
        new Walk(text, sink, lines::at).read();
    }

    /** Reads a script inside another text. */
    public static void fragment(String script, LinkSink sink, java.util.function.IntFunction<SourcePosition> places) {
        if (script.length() <= MAX_BYTES) {
            new Walk(script, sink, places).read();
        }
    }

    private static final class Walk {
        private final String text;
        private final LinkSink sink;
        private final java.util.function.IntFunction<SourcePosition> places;
        private int at;
        private char last = '\n';

        Walk(String text, LinkSink sink, java.util.function.IntFunction<SourcePosition> places) {
            this.text = text;
            this.sink = sink;
            this.places = places;
        }

        void read() {
            while (at < text.length()) {
                char c = text.charAt(at);
                if (text.startsWith("//", at)) {
                    at = end("\n", at);
                } else if (text.startsWith("/*", at)) {
                    at = Math.min(text.length(), end("*/", at + 2) + 2);
                } else if (c == '"' || c == '\'' || c == '`') {
                    string(c);
                } else if (c == '/' && BEFORE_PATTERN.indexOf(last) >= 0) {
                    pattern();
                } else {
                    last = c == ' ' || c == '\t' || c == '\r' ? last : c;
                    at++;
                }
            }
        }

        private int end(String mark, int from) {
            int found = text.indexOf(mark, from);
            return found < 0 ? text.length() : found;
        }

        private void string(char quote) {
            int start = ++at;
            boolean plain = true;
            while (at < text.length() && text.charAt(at) != quote && (quote == '`' || text.charAt(at) != '\n')) {
                plain &= text.charAt(at) != '\\' && text.charAt(at) != '\n';
                at += text.charAt(at) == '\\' ? 2 : 1;
            }
            int end = Math.min(at, text.length());
            at = end + 1;
            last = quote;
            if (plain && end > start && end - start <= LONGEST) {
                value(start, text.substring(start, end));
            }
        }

        private void pattern() {
            int from = at++;
            boolean set = false;
            while (at < text.length() && text.charAt(at) != '\n' && (set || text.charAt(at) != '/')) {
                char c = text.charAt(at);
                set = c == '[' || (set && c != ']');
                at += c == '\\' ? 2 : 1;
            }
            if (at >= text.length() || text.charAt(Math.min(at, text.length() - 1)) == '\n') {
                // A division after all.
                at = from + 1;
            } else {
                at++;
            }
            last = '/';
        }

        private void value(int start, String value) {
            boolean relative = value.startsWith("./") || value.startsWith("../");
            String before = text.substring(Math.max(0, start - 60), start - 1);
            boolean imported = IMPORTING.matcher(before).matches();
            if (imported) {
                if (relative) {
                    add(start, value, Link.Standing.GUESSED,
                            MODULES.stream().map(ending -> value.replaceFirst("/$", "") + ending).toList());
                }
                return;
            }
            if (isAsset(value) || (STARTING.matcher(before).matches() && FILE.matcher(value).matches() && value.indexOf(':') < 0)) {
                add(start, value, Link.Standing.HINTED, List.of());
            }
        }

        private boolean isAsset(String value) {
            int dot = value.lastIndexOf('.');
            boolean named = dot > 0 && value.charAt(dot - 1) != '/' && value.indexOf("://") < 0 && !value.startsWith("//");
            FileKind kind = named ? sink.endings().kind(value.substring(dot + 1).toLowerCase(Locale.ROOT)) : FileKind.OTHER;
            // A module of another kind than a film, which some cameras name so too.
            boolean module = value.endsWith(".mts");
            return !module && (kind.isMedia() || kind == FileKind.MODEL || kind == FileKind.FONT) && FILE.matcher(value).matches();
        }

        private void add(int start, String value, Link.Standing standing, List<String> also) {
            sink.link(places.apply(start), value, Notation.WEB).standing(standing).also(also).add();
        }
    }
}
