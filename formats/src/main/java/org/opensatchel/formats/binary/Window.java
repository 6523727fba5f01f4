package org.opensatchel.formats.binary;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** Numbers and words of a file by their places; pages that were read are kept for a while, since structures are walked forward in small steps. */
public final class Window {

    private static final int PAGE = 4_096;
    private static final int MOST_PAGES = 64;

    private final MediaBytes bytes;
    private final Map<Long, byte[]> pages = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, byte[]> eldest) {
            return size() > MOST_PAGES;
        }
    };
    /** The page that was read last, beside the others: most steps stay on it. */
    private long lastNumber = -1;
    private byte[] last;

    public Window(MediaBytes bytes) {
        this.bytes = bytes;
    }

    /** How long the whole file is, in bytes. */
    public long length() {
        return bytes.length();
    }

    private byte[] page(long number) throws IOException {
        if (number != lastNumber) {
            byte[] page = pages.get(number);
            if (page == null) {
                page = bytes.read(number * PAGE, PAGE);
                pages.put(number, page);
            }
            lastNumber = number;
            last = page;
        }
        return last;
    }

    /**
     * A byte, from 0 to 255.
     *
     * @throws CutOff where the file ends before; as all that read here do
     */
    public int u8(long at) throws IOException {
        if (at < 0 || at >= length()) {
            throw new CutOff(at);
        }
        byte[] page = page(at / PAGE);
        int in = (int) (at % PAGE);
        if (in >= page.length) {
            throw new CutOff(at);
        }
        return page[in] & 0xff;
    }

    /** Two bytes, the highest first. */
    public int u16(long at) throws IOException {
        return u8(at) << 8 | u8(at + 1);
    }

    /** Three bytes, the highest first. */
    public int u24(long at) throws IOException {
        return u16(at) << 8 | u8(at + 2);
    }

    /** Four bytes, the highest first. */
    public long u32(long at) throws IOException {
        return (long) u16(at) << 16 | u16(at + 2);
    }

    /** Four bytes with a sign, the highest first. */
    public int i32(long at) throws IOException {
        return (int) u32(at);
    }

    /** Values that no file reaches are as good as the largest. */
    public long u63(long at) throws IOException {
        long value = u32(at) << 32 | u32(at + 4);
        return value < 0 ? Long.MAX_VALUE : value;
    }

    /** Two bytes, the lowest first. */
    public int le16(long at) throws IOException {
        return u8(at) | u8(at + 1) << 8;
    }

    /** Three bytes, the lowest first. */
    public int le24(long at) throws IOException {
        return le16(at) | u8(at + 2) << 16;
    }

    /** Four bytes, the lowest first. */
    public long le32(long at) throws IOException {
        return le16(at) | (long) le16(at + 2) << 16;
    }

    /** Eight bytes, the lowest first; values that no file reaches are as good as the largest. */
    public long le63(long at) throws IOException {
        long value = le32(at) | le32(at + 4) << 32;
        return value < 0 ? Long.MAX_VALUE : value;
    }

    /** So many bytes as letters of ISO 8859-1. */
    public String text(long at, int count) throws IOException {
        return new String(bytes(at, count), StandardCharsets.ISO_8859_1);
    }

    /** Whether a word of ISO 8859-1 stands somewhere; not where the file ends before it does. */
    public boolean has(long at, String word) throws IOException {
        for (int i = 0; i < word.length(); i++) {
            if (at + i >= length() || u8(at + i) != word.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    /** The first bytes, as many as are asked for or at hand. */
    public byte[] beginning(int most) throws IOException {
        byte[] out = new byte[(int) Math.min(most, length())];
        int done = 0;
        while (done < out.length) {
            byte[] page;
            try {
                page = page(done / PAGE);
            } catch (BytesNotAtHand further) {
                break;
            }
            int some = Math.min(out.length - done, page.length - done % PAGE);
            if (some <= 0) {
                break;
            }
            System.arraycopy(page, done % PAGE, out, done, some);
            done += some;
        }
        return Arrays.copyOf(out, done);
    }

    /** So many bytes, never fewer. */
    public byte[] bytes(long at, int count) throws IOException {
        if (at < 0 || count < 0 || at > length() - count) {
            throw new CutOff(at + count);
        }
        byte[] out = new byte[count];
        for (int done = 0; done < count;) {
            byte[] page = page((at + done) / PAGE);
            int in = (int) ((at + done) % PAGE);
            int some = Math.min(count - done, page.length - in);
            if (some <= 0) {
                throw new CutOff(at + done);
            }
            System.arraycopy(page, in, out, done, some);
            done += some;
        }
        return out;
    }
}
