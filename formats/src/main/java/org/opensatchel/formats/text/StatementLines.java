package org.opensatchel.formats.text;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * Walks a text of one statement a line, a keyword first, as a stream: lines that begin with a digit or a sign, the bulk of
 * a model, are never decoded. A backslash at the end continues a line; {@code #} begins a comment.
 */
public final class StatementLines {

    private static final int MAX_LINE = 1 << 20;

    /**
     * One statement.
     *
     * @param line where it begins, from 1
     * @param restColumn where the rest begins, from 1, in code points
     * @param rest what stands after the keyword, blanks around it cut off
     */
    public record Statement(int line, String keyword, int restColumn, String rest) {}

    /** Takes the statements in their order. */
    public interface Listener {
        void statement(Statement statement) throws Unreadable;
    }

    /** A line as it grows; its end can be looked at without a copy, since one statement may go on over very many lines. */
    private static final class Line extends ByteArrayOutputStream {

        boolean endsIn(char last) {
            return count > 0 && buf[count - 1] == last;
        }

        void replaceLast(char other) {
            buf[count - 1] = (byte) other;
        }
    }

    private StatementLines() {
    }

    /**
     * Tells a text line by line, numbered from 1.
     *
     * @throws Unreadable where the listener cannot go on, or a line is longer than any
     */
    public static void read(InputStream text, Listener listener) throws IOException, Unreadable {
        BufferedInputStream in = new BufferedInputStream(text, 1 << 16);
        Line line = new Line();
        int number = 1;
        int start = 1;
        Optional<Charset> wide = mark(in);
        if (wide.isPresent()) {
            in = new BufferedInputStream(new Narrowed(new InputStreamReader(in, wide.get())), 1 << 16);
        } else {
            in.mark(1_024);
            TextDecoding.requireText(in.readNBytes(1_024));
            in.reset();
        }
        int c;
        do {
            c = in.read();
            if (c == '\n' || c == '\r' || c < 0) {
                if (c == '\r') {
                    in.mark(1);
                    if (in.read() != '\n') {
                        in.reset();
                    }
                }
                number++;
                if (c >= 0 && line.endsIn('\\')) {
                    line.replaceLast(' ');
                    continue;
                }
                byte[] bytes = line.toByteArray();
                statement(bytes, start, listener);
                line.reset();
                start = number;
            } else if (line.size() >= MAX_LINE) {
                throw Unreadable.broken(new SourcePosition.InText(number, 1), ReadWording.LONG_LINE);
            } else {
                line.write(c);
            }
        } while (c >= 0);
    }

    /** A byte-order mark is eaten; that of UTF-16 (either order) says which the text is in. */
    private static Optional<Charset> mark(BufferedInputStream in) throws IOException {
        in.mark(3);
        int first = in.read();
        int second = in.read();
        if (first == 0xFF && second == 0xFE) {
            return Optional.of(StandardCharsets.UTF_16LE);
        }
        if (first == 0xFE && second == 0xFF) {
            return Optional.of(StandardCharsets.UTF_16BE);
        }
        int third = in.read();
        if (first != 0xEF || second != 0xBB || third != 0xBF) {
            in.reset();
        }
        return Optional.empty();
    }

    /** Text of two bytes a letter, as the UTF-8 that the lines are looked for in. */
    private static final class Narrowed extends InputStream {

        private final Reader text;
        private final char[] read = new char[1 << 12];
        private byte[] bytes = new byte[0];
        private int at;

        Narrowed(Reader text) {
            this.text = text;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            if (at == bytes.length && !fill()) {
                return -1;
            }
            int count = Math.min(length, bytes.length - at);
            System.arraycopy(bytes, at, into, offset, count);
            at += count;
            return count;
        }

        private boolean fill() throws IOException {
            int count = text.read(read, 0, read.length - 1);
            if (count <= 0) {
                return false;
            }
            if (Character.isHighSurrogate(read[count - 1])) {
                // The second half of a letter from beyond the first plane stays with the first.
                count += Math.max(0, text.read(read, count, 1));
            }
            bytes = new String(read, 0, count).getBytes(StandardCharsets.UTF_8);
            at = 0;
            return true;
        }
    }

    private static void statement(byte[] bytes, int line, Listener listener) throws Unreadable {
        int from = 0;
        while (from < bytes.length && (bytes[from] == ' ' || bytes[from] == '\t')) {
            from++;
        }
        if (from == bytes.length || !isLetter(bytes[from])) {
            return;
        }
        String text = TextDecoding.decodeUnmarked(bytes);
        int end = from;
        while (end < text.length() && text.charAt(end) != ' ' && text.charAt(end) != '\t') {
            end++;
        }
        int rest = end;
        while (rest < text.length() && (text.charAt(rest) == ' ' || text.charAt(rest) == '\t')) {
            rest++;
        }
        listener.statement(
                new Statement(line, text.substring(from, end), text.codePointCount(0, rest) + 1, text.substring(rest).stripTrailing()));
    }

    private static boolean isLetter(byte b) {
        return (b >= 'a' && b <= 'z') || (b >= 'A' && b <= 'Z');
    }
}
