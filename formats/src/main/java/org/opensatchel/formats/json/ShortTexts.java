package org.opensatchel.formats.json;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/**
 * A JSON text (RFC 8259) in which no string is very long: what a string holds after so many bytes is left out, like the
 * rest of an embedded picture. So a parser need not hold it, and what follows is read. Only texts of one byte a sign
 * (UTF-8) are shortened; the wide encodings go through as they are.
 */
final class ShortTexts extends FilterInputStream {

    private final int most;
    private final byte[] buffer = new byte[1 << 16];
    private int from;
    private int to;
    private boolean begun;
    private boolean wide;
    private boolean inString;
    private boolean dropping;
    private boolean escapeBegins;
    private int escape;
    private int length;

    /** @param most bytes of a string that are kept; its last sign is never cut in two */
    ShortTexts(InputStream json, int most) {
        super(json);
        this.most = most;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int at, int count) throws IOException {
        if (count == 0) {
            return 0;
        }
        while (from < to || fill()) {
            int got = wide ? plain(into, at, count) : shortened(into, at, count);
            if (got > 0) {
                return got;
            }
        }
        return -1;
    }

    private boolean fill() throws IOException {
        from = 0;
        to = begun ? in.read(buffer) : in.readNBytes(buffer, 0, buffer.length);
        if (!begun && to > 1) {
            // A zero among the first two bytes, or a byte-order mark of two bytes (RFC 8259, section 8.1, and before it RFC 4627, section
            // 3).
            wide = buffer[0] == 0 || buffer[1] == 0 || (buffer[0] & 0xFF) >= 0xFE;
        }
        begun = true;
        return to > 0;
    }

    private int plain(byte[] into, int at, int count) {
        int got = Math.min(count, to - from);
        System.arraycopy(buffer, from, into, at, got);
        from += got;
        return got;
    }

    private int shortened(byte[] into, int at, int count) {
        int out = at;
        while (from < to && out < at + count) {
            byte next = buffer[from++];
            if (keeps(next)) {
                into[out++] = next;
            }
        }
        return out - at;
    }

    private boolean keeps(byte next) {
        if (!inString) {
            inString = next == '"';
            length = 0;
            dropping = false;
            return true;
        }
        if (escape > 0) {
            // A backslash, u and four digits are one sign; every other escape is two bytes.
            escape = escapeBegins && next == 'u' ? 4 : escape - 1;
            escapeBegins = false;
            return kept();
        }
        if (next == '"') {
            inString = false;
            return true;
        }
        boolean signBegins = (next & 0xC0) != 0x80;
        dropping |= length >= most && signBegins;
        escapeBegins = next == '\\';
        escape = escapeBegins ? 1 : 0;
        return kept();
    }

    private boolean kept() {
        length += dropping ? 0 : 1;
        return !dropping;
    }

    @Override
    public long skip(long bytes) throws IOException {
        long left = bytes;
        while (left > 0 && read() >= 0) {
            left--;
        }
        return bytes - left;
    }

    @Override
    public int available() throws IOException {
        return to - from;
    }

    @Override
    public boolean markSupported() {
        return false;
    }
}
