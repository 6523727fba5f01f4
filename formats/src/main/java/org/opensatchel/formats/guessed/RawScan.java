package org.opensatchel.formats.guessed;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Looks through bytes of any kind for paths: text in UTF-8, in one byte a letter or in two, and the printable runs of
 * binary files. One pass; at each sign of a path the look around is bounded.
 */
final class RawScan {

    /** Takes what is found. */
    interface Listener {
        void path(SourcePosition at, String text);
    }

    private static final int WINDOW = 1 << 20;
    /** What must still be at hand behind a sign of a path, and before it, in bytes. */
    private static final int AROUND = 2 * FoundPath.LONGEST + 64;
    private static final int MOST_LOOKS = 8;
    /** So far before a path its line is looked at for the sign of a comment. */
    private static final int MOST_INDENT = 400;
    private static final byte[] SIGN = new byte[256];
    private static final String[] TOPS = {"/Users/", "/home/", "/Volumes/", "/media/", "/mnt/", "/run/media/"};
    private static final int LONGEST_ENDING = 5;

    static {
        for (char sign : ":/\\~.\n".toCharArray()) {
            SIGN[sign] = 1;
        }
    }

    private final Listener listener;
    private final boolean binary;
    private final boolean bigEndian;
    private final byte[] bytes;
    private int length;
    private long base;
    private int line = 1;
    /** How far columns are counted, and which column is there. */
    private long cursor;
    private int column = 1;
    private int past;
    /** How many bytes were looked at around signs; bounded by the bytes that went by. */
    private long looked;

    /** @param head how the content begins, for telling text from other bytes */
    RawScan(byte[] head, Listener listener) {
        this(head, WINDOW + 2 * AROUND, listener);
    }

    /** For a short content that is at hand whole: there may be very many of those. */
    static RawScan whole(byte[] content, Listener listener) {
        return new RawScan(content, content.length + 1, listener);
    }

    private RawScan(byte[] head, int capacity, Listener listener) {
        this.bytes = new byte[capacity];
        this.listener = listener;
        this.bigEndian = head.length > 1 && (head[0] & 0xFF) == 0xFE && (head[1] & 0xFF) == 0xFF;
        boolean wide = bigEndian || (head.length > 1 && (head[0] & 0xFF) == 0xFF && (head[1] & 0xFF) == 0xFE);
        boolean controls = false;
        for (byte b : head) {
            controls |= b >= 0 && b < 9;
        }
        this.binary = controls && !wide;
    }

    void read(InputStream in) throws IOException {
        int from = 0;
        while (true) {
            int got = in.readNBytes(bytes, length, bytes.length - length);
            length += got;
            boolean last = length < bytes.length;
            int to = last ? length : length - AROUND;
            scan(from, to);
            if (last) {
                return;
            }
            int keep = AROUND;
            int drop = to - keep;
            advance(base + drop);
            System.arraycopy(bytes, drop, bytes, 0, length - drop);
            base += drop;
            past = Math.max(0, past - drop);
            length -= drop;
            from = keep;
        }
    }

    private void scan(int from, int to) {
        byte[] all = bytes;
        for (int i = from; i < to; i++) {
            if (SIGN[all[i] & 0xFF] != 0) {
                sign(i);
            }
        }
    }

    private void sign(int i) {
        switch (bytes[i]) {
            case '\n' -> {
                line++;
                cursor = base + i + 1;
                column = 1;
            }
            case ':' -> colon(i);
            case '/' -> slash(i);
            case '\\' -> backslash(i);
            case '~' -> home(i);
            default -> dot(i);
        }
    }

    /** A drive ({@code F:\}), or the beginning of a file URI. */
    private void colon(int i) {
        for (int step = 1; step <= 2; step++) {
            char next = at(i + step, step);
            if (next != '/' && next != '\\') {
                continue;
            }
            char letter = at(i - step, step);
            char before = at(i - 2 * step, step);
            if (isLetter(letter) && !isName(before)) {
                take(i - step, step, before);
            } else if (matches(i - 4 * step, "file:/", step) || matches(i - 4 * step, "FILE:/", step)) {
                take(i - 4 * step, step, at(i - 5 * step, step));
            }
            return;
        }
    }

    private void slash(int i) {
        int step = i + 1 < length && bytes[i + 1] == 0 ? 2 : 1;
        char before = at(i - step, step);
        if (isName(before) || before == '/' || before == '\\' || before == ':') {
            return;
        }
        for (String top : TOPS) {
            if (matches(i, top, step)) {
                take(i, step, before);
                return;
            }
        }
    }

    /** A share, {@code \\server\share}; in some texts every backslash is written twice. */
    private void backslash(int i) {
        int step = i + 1 < length && bytes[i + 1] == 0 ? 2 : 1;
        if (at(i + step, step) != '\\') {
            return;
        }
        char before = at(i - step, step);
        char third = at(i + 2 * step, step);
        boolean doubled = third == '\\' && at(i + 3 * step, step) == '\\' && isName(at(i + 4 * step, step));
        if (before != '\\' && before != ':' && !isName(before) && (isName(third) || doubled)) {
            take(i, step, before);
        }
    }

    private void home(int i) {
        int step = i + 1 < length && bytes[i + 1] == 0 ? 2 : 1;
        char before = at(i - step, step);
        if (at(i + step, step) == '/' && !isName(before) && before != '/') {
            take(i, step, before);
        }
    }

    /** A name in quotation marks that ends in a media extension. */
    private void dot(int i) {
        int step = i + 1 < length && bytes[i + 1] == 0 ? 2 : 1;
        int end = i + step;
        StringBuilder ending = new StringBuilder(LONGEST_ENDING);
        while (ending.length() <= LONGEST_ENDING && FoundPath.isLetterOrDigit(at(end, step))) {
            ending.append(at(end, step));
            end += step;
        }
        char quote = at(end, step);
        if ((quote != '"' && quote != '\'') || !FoundPath.isMedia(ending.toString())) {
            return;
        }
        if (isTooMuch(i)) {
            return;
        }
        int start = i;
        int lowest = Math.max(0, i - FoundPath.LONGEST);
        while (start - step >= lowest && at(start - step, step) != quote && at(start - step, step) >= ' ') {
            start -= step;
        }
        looked += i - start;
        boolean quoted = start - step >= 0 && at(start - step, step) == quote && start < i;
        String text = quoted ? text(start, end, step) : "";
        if (quoted && start >= past && !isComment(start, step) && FoundPath.isRelative(text) && !isAbsolute(text)) {
            tell(start, text.contains("\\\\") ? text.replace("\\\\", "\\") : text);
        }
    }

    private static boolean isAbsolute(String text) {
        return text.startsWith("/") || text.startsWith("\\") || text.startsWith("~") || (text.length() > 1 && text.charAt(1) == ':');
    }

    private void take(int start, int step, char before) {
        if (start < past || isTooMuch(start)) {
            return;
        }
        int end = start;
        int limit = Math.min(length, start + FoundPath.LONGEST * step);
        boolean dotted = false;
        while (end < limit && at(end, step) >= ' ') {
            dotted |= bytes[end] == '.';
            end += step;
        }
        looked += end - start;
        if (!dotted) {
            // No file's name is in all of this, wherever one begins.
            past = end;
            return;
        }
        char quote = before == '"' || before == '\'' || before == '`' ? before : before == '>' ? '<' : before == '(' ? ')' : 0;
        Optional<String> path = isComment(start, step) ? Optional.empty()
                : FoundPath.at(text(start, Math.min(end, length), step), quote, binary).filter(RawScan::isOnDisk);
        if (path.isPresent()) {
            tell(start, path.get());
            past = start + path.get().length() * step;
        }
    }

    /** Whether what begins like a disk's folder goes as far as a disk: {@code /media/a.png} is a page's address as likely. */
    private static boolean isOnDisk(String path) {
        boolean mounted = path.startsWith("/media/") || path.startsWith("/mnt/") || path.startsWith("/Volumes/")
                || path.startsWith("/run/");
        return !mounted || LinkText.read(path, Notation.PLAIN).filter(address -> address.form() == LinkForm.VOLUME).isPresent();
    }

    /** Whether a place in a text stands behind the sign that begins a comment's line. */
    private boolean isComment(int at, int step) {
        if (binary) {
            return false;
        }
        int begin = at;
        int lowest = Math.max(0, at - MOST_INDENT * step);
        while (begin - step >= lowest && at(begin - step, step) != '\n') {
            begin -= step;
        }
        looked += at - begin;
        while (begin < at && (at(begin, step) == ' ' || at(begin, step) == '\t')) {
            begin += step;
        }
        char first = at(begin, step);
        char second = at(begin + step, step);
        return begin < at && ((first == '#' && (second == ' ' || second == '#' || second == '!'))
                || (first == '/' && (second == '/' || second == '*'))
                || (first == '*' && (second == ' ' || second == '/')) || (first == ';') || (first == '-' && second == '-')
                || (first == '<' && second == '!'));
    }

    private void tell(int start, String text) {
        if (binary) {
            listener.path(new SourcePosition.InBytes(base + start), text);
            return;
        }
        advance(base + start);
        listener.path(new SourcePosition.InText(line, column), text);
    }

    /** Counts columns on; a sign that was passed over before the last one counted keeps that one's. */
    private void advance(long to) {
        while (cursor < to && cursor - base < length) {
            int i = (int) (cursor - base);
            boolean wide = i + 1 < length && bytes[i + 1] == 0 && !binary;
            // Bytes that go on with a letter of UTF-8 are none of their own.
            column += wide || (bytes[i] & 0xC0) != 0x80 ? 1 : 0;
            cursor += wide ? 2 : 1;
        }
    }

    /** A text made of signs alone is not looked at again and again: what is spent stays a few times its length. */
    private boolean isTooMuch(int at) {
        return looked > MOST_LOOKS * (base + at) + (1 << 16);
    }

    private String text(int start, int end, int step) {
        byte[] part = Arrays.copyOfRange(bytes, bigEndian && step == 2 ? start - 1 : start, bigEndian && step == 2 ? end - 1 : end);
        if (step == 1) {
            return TextDecoding.decodeUnmarked(part);
        }
        return new String(part, bigEndian ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_16LE);
    }

    /** The letter at a place, as far as it is one byte: 0 where there is none, and U+FFFF for one of two bytes. */
    private char at(int i, int step) {
        if (i < 0 || i >= length) {
            return 0;
        }
        if (step == 2) {
            int high = bigEndian ? i - 1 : i + 1;
            if (high >= 0 && high < length && bytes[high] != 0) {
                return '\uFFFF';
            }
        }
        return (char) (bytes[i] & 0xFF);
    }

    private boolean matches(int from, String word, int step) {
        if (from < 0) {
            return false;
        }
        for (int k = 0; k < word.length(); k++) {
            if (at(from + k * step, step) != word.charAt(k)) {
                return false;
            }
        }
        return true;
    }

    /** How many bytes were looked at around signs so far. */
    long looked() {
        return looked;
    }

    private static boolean isLetter(char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
    }

    private static boolean isName(char c) {
        return isLetter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-' || c == '.' || (c >= 0x80 && c != '\uFFFF');
    }
}
