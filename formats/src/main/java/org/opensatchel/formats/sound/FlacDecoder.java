package org.opensatchel.formats.sound;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;

/** Decodes FLAC (RFC 9639). Checksums are not held against: what is damaged is heard. */
public final class FlacDecoder {

    private static final int SIGN = 0x664c6143;
    private static final int INFO = 34;
    private static final int SYNC = 0x3ffe;
    private static final int LEFT_SIDE = 8;
    private static final int SIDE_RIGHT = 9;
    private static final int MID_SIDE = 10;
    private static final int[] DEPTHS = {0, 8, 12, -1, 16, 20, 24, 32};
    private static final int[][] FIXED = {{}, {1}, {2, -1}, {3, -3, 1}, {4, -6, 4, -1}};
    private static final int MOST_ZEROS = 1 << 20;

    private final Bits bits;
    private final SampleSink sink;
    private int channels;
    private int depth;
    private long frames;
    private long[][] sound = new long[8][0];
    private double[] out = {};

    private FlacDecoder(InputStream content, long most, SampleSink sink) {
        this.bits = new Bits(content, most);
        this.sink = sink;
    }

    /**
     * Gives a sound's samples to a sink, up to where it ends or breaks off.
     *
     * @param most so many bytes are read at most
     * @return how many moments there were
     * @throws FlacDamaged where it cannot be followed any more; what came before has been given
     */
    public static long decode(InputStream content, long most, SampleSink sink) throws IOException {
        FlacDecoder decoder = new FlacDecoder(content, most, sink);
        try {
            decoder.header();
            while (!decoder.bits.isEnd()) {
                decoder.frame();
            }
        } catch (EOFException broken) {
            // As far as it is there.
        }
        return decoder.frames;
    }

    private void header() throws IOException {
        if (bits.bits(32) != SIGN) {
            throw new FlacDamaged("it does not begin as FLAC does");
        }
        boolean last = false;
        for (int block = 0; !last; block++) {
            last = bits.bits(1) == 1;
            long kind = bits.bits(7);
            int length = (int) bits.bits(24);
            if (block == 0) {
                if (kind != 0 || length < INFO) {
                    throw new FlacDamaged("it is not described");
                }
                pass(10);
                bits.bits(20);
                channels = (int) bits.bits(3) + 1;
                depth = (int) bits.bits(5) + 1;
                bits.bits(36);
                pass(length - 18);
            } else {
                pass(length);
            }
        }
    }

    private void pass(int bytes) throws IOException {
        for (int i = 0; i < bytes; i++) {
            bits.bits(8);
        }
    }

    private void frame() throws IOException {
        if (bits.bits(14) != SYNC) {
            throw new FlacDamaged("no frame where one should begin");
        }
        bits.bits(2);
        int sizes = (int) bits.bits(4);
        int rate = (int) bits.bits(4);
        int assigned = (int) bits.bits(4);
        int said = (int) bits.bits(3);
        bits.bits(1);
        number();
        int size = size(sizes);
        bits.bits(rate == 12 ? 8 : rate == 13 || rate == 14 ? 16 : 0);
        bits.bits(8);
        int own = said == 0 ? depth : DEPTHS[said];
        int count = assigned < LEFT_SIDE ? assigned + 1 : 2;
        if (assigned > MID_SIDE || own < 4 || size < 1) {
            throw new FlacDamaged("a frame of no known kind");
        }
        for (int channel = 0; channel < count; channel++) {
            boolean side = assigned == SIDE_RIGHT ? channel == 0 : assigned >= LEFT_SIDE && channel == 1;
            sound[channel] = sound[channel].length < size ? new long[size] : sound[channel];
            subframe(sound[channel], size, own + (side ? 1 : 0));
        }
        bits.align();
        bits.bits(16);
        together(assigned, size);
        give(count, size, own);
    }

    /** The number of a frame, coded as UTF-8 codes letters. */
    private void number() throws IOException {
        int head = (int) bits.bits(8);
        int more = Math.max(0, Integer.numberOfLeadingZeros(~(head << 24)) - 1);
        if (more > 6) {
            throw new FlacDamaged("a frame without a number");
        }
        pass(more);
    }

    private int size(int code) throws IOException {
        if (code == 1) {
            return 192;
        } else if (code >= 2 && code <= 5) {
            return 576 << code - 2;
        } else if (code == 6) {
            return (int) bits.bits(8) + 1;
        } else if (code == 7) {
            return (int) bits.bits(16) + 1;
        }
        return code == 0 ? 0 : 256 << code - 8;
    }

    private void subframe(long[] into, int size, int width) throws IOException {
        bits.bits(1);
        int kind = (int) bits.bits(6);
        int wasted = bits.bits(1) == 1 ? bits.unary(width) + 1 : 0;
        int own = width - wasted;
        if (own < 1) {
            throw new FlacDamaged("samples of no bits");
        }
        if (kind == 0) {
            java.util.Arrays.fill(into, 0, size, bits.signed(own));
        } else if (kind == 1) {
            for (int i = 0; i < size; i++) {
                into[i] = bits.signed(own);
            }
        } else if (kind >= 8 && kind <= 12) {
            predicted(into, size, own, kind - 8, true);
        } else if (kind >= 32) {
            predicted(into, size, own, kind - 31, false);
        } else {
            throw new FlacDamaged("a channel coded in no known way");
        }
        for (int i = 0; wasted > 0 && i < size; i++) {
            into[i] <<= wasted;
        }
    }

    /** Samples that are told by how far they are from what those before let expect. */
    private void predicted(long[] into, int size, int width, int order, boolean fixed) throws IOException {
        if (order > size) {
            throw new FlacDamaged("more is expected from than there is");
        }
        for (int i = 0; i < order; i++) {
            into[i] = bits.signed(width);
        }
        int shift = 0;
        int[] factors = FIXED[Math.min(order, FIXED.length - 1)];
        if (!fixed) {
            int precision = (int) bits.bits(4) + 1;
            shift = (int) bits.signed(5);
            if (precision > 15 || shift < 0) {
                throw new FlacDamaged("factors of no known kind");
            }
            factors = new int[order];
            for (int i = 0; i < order; i++) {
                factors[i] = (int) bits.signed(precision);
            }
        }
        residual(into, size, order);
        for (int i = order; i < size; i++) {
            long sum = 0;
            for (int j = 0; j < order; j++) {
                sum += factors[j] * into[i - 1 - j];
            }
            into[i] += sum >> shift;
        }
    }

    private void residual(long[] into, int size, int order) throws IOException {
        int width = bits.bits(2) == 0 ? 4 : 5;
        int parts = 1 << bits.bits(4);
        int each = size / parts;
        if (each * parts != size && parts > 1 || each < order) {
            throw new FlacDamaged("parts that do not fit");
        }
        int at = order;
        for (int part = 0; part < parts; part++) {
            int to = part == parts - 1 ? size : (part + 1) * each;
            int parameter = (int) bits.bits(width);
            if (parameter == (1 << width) - 1) {
                int plain = (int) bits.bits(5);
                for (; at < to; at++) {
                    into[at] = bits.signed(plain);
                }
            } else {
                for (; at < to; at++) {
                    long folded = (long) bits.unary(MOST_ZEROS) << parameter | bits.bits(parameter);
                    into[at] = folded >>> 1 ^ -(folded & 1);
                }
            }
        }
    }

    /** Two channels told by one of them, or their middle, and how they differ. */
    private void together(int assigned, int size) {
        long[] first = sound[0];
        long[] second = sound[1];
        for (int i = 0; assigned >= LEFT_SIDE && i < size; i++) {
            if (assigned == LEFT_SIDE) {
                second[i] = first[i] - second[i];
            } else if (assigned == SIDE_RIGHT) {
                first[i] += second[i];
            } else {
                long middle = first[i] << 1 | second[i] & 1;
                first[i] = middle + second[i] >> 1;
                second[i] = middle - second[i] >> 1;
            }
        }
    }

    private void give(int count, int size, int own) throws FlacDamaged {
        if (count != channels) {
            throw new FlacDamaged("another number of channels than was said");
        }
        out = out.length < count * size ? new double[count * size] : out;
        double scale = 1.0 / (1L << own - 1);
        for (int channel = 0; channel < count; channel++) {
            long[] one = sound[channel];
            for (int i = 0; i < size; i++) {
                out[i * count + channel] = one[i] * scale;
            }
        }
        frames += size;
        sink.samples(out, count * size);
    }
}
