package org.opensatchel.formats.matroska;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;

/**
 * An element of EBML (RFC 8794, sections 4 to 6).
 *
 * @param end where it says that it ends; {@link #OPEN} where it does not say
 */
record Element(long id, long body, long end) {

    static final long OPEN = Long.MAX_VALUE;
    private static final int MOST = 100_000;

    /** The element at a place; empty where none can be. */
    static Optional<Element> at(Window file, long at, long limit) throws IOException {
        if (at >= limit) {
            return Optional.empty();
        }
        int idBytes = Integer.numberOfLeadingZeros(file.u8(at) << 24 | 1) + 1;
        if (idBytes > 4 || at + idBytes >= limit) {
            return Optional.empty();
        }
        long id = 0;
        for (int i = 0; i < idBytes; i++) {
            id = id << 8 | file.u8(at + i);
        }
        long size = at + idBytes;
        int sizeBytes = Integer.numberOfLeadingZeros(file.u8(size) << 24 | 1) + 1;
        if (sizeBytes > 8 || size + sizeBytes > limit) {
            return Optional.empty();
        }
        long value = file.u8(size) & 0xff >> sizeBytes;
        boolean open = value == 0xff >> sizeBytes;
        for (int i = 1; i < sizeBytes; i++) {
            int next = file.u8(size + i);
            open &= next == 0xff;
            value = value << 8 | next;
        }
        long body = size + sizeBytes;
        return Optional.of(new Element(id, body, open || value > OPEN - body ? OPEN : body + value));
    }

    /** What is in it, up to where the file ends or something does not say how long it is. */
    List<Element> children(Window file) throws IOException {
        List<Element> out = new ArrayList<>();
        long limit = Math.min(end, file.length());
        Optional<Element> next = at(file, body, limit);
        while (next.isPresent() && out.size() < MOST) {
            out.add(next.get());
            next = next.get().end == OPEN ? Optional.empty() : at(file, next.get().end, limit);
        }
        return out;
    }

    boolean isOpen() {
        return end == OPEN;
    }

    /** A whole number without a sign; what is longer than a number can be is none. */
    long number(Window file) throws IOException {
        long value = 0;
        for (long at = body; at < end && at < body + 8; at++) {
            value = value << 8 | file.u8(at);
        }
        return Math.max(0, value);
    }

    double real(Window file) throws IOException {
        return end - body == 4 ? Float.intBitsToFloat(file.i32(body))
                : end - body == 8 ? Double.longBitsToDouble(file.u32(body) << 32 | file.u32(body + 4)) : 0;
    }

    String text(Window file) throws IOException {
        return file.text(body, (int) Math.min(64, end - body)).replace("\0", "");
    }
}
