package org.opensatchel.formats.sound;

import java.io.ByteArrayOutputStream;

/** Writes FLAC in every way a frame can be coded, for tests. */
final class FlacWriter {

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private int held;
    private int count;

    FlacWriter bits(long value, int width) {
        for (int i = width - 1; i >= 0; i--) {
            held = held << 1 | (int) (value >> i & 1);
            if (++count == 8) {
                out.write(held);
                held = 0;
                count = 0;
            }
        }
        return this;
    }

    private void align() {
        while (count > 0) {
            bits(0, 1);
        }
    }

    byte[] bytes() {
        return out.toByteArray();
    }

    static FlacWriter head(int channels, int depth, long samples) {
        FlacWriter writer = new FlacWriter();
        writer.bits(0x664c6143, 32).bits(0, 1).bits(0, 7).bits(34, 24).bits(4_096, 16).bits(4_096, 16).bits(0, 24).bits(0, 24)
                .bits(44_100, 20).bits(channels - 1, 3).bits(depth - 1, 5).bits(samples, 36);
        for (int i = 0; i < 16; i++) {
            writer.bits(0, 8);
        }
        return writer.bits(1, 1).bits(4, 7).bits(3, 24).bits(0, 24);
    }

    /**
     * A frame.
     *
     * @param assigned 8 to 10 for two channels told by their difference, otherwise one less than there are
     * @param how a way of coding a channel: c constant, v verbatim, 0 to 4 expected by a fixed order, l by factors, r raw rests, w wasted
     */
    FlacWriter frame(int number, int assigned, int depth, char how, long[]... channels) {
        int size = channels[0].length;
        bits(0x3ffe, 14).bits(0, 2).bits(7, 4).bits(0, 4).bits(assigned, 4).bits(0, 3).bits(0, 1).bits(number, 8).bits(size - 1, 16).bits(0,
                8);
        for (int channel = 0; channel < channels.length; channel++) {
            long[] told = channels[channel];
            boolean side = assigned == 9 ? channel == 0 : assigned >= 8 && channel == 1;
            if (assigned >= 8) {
                told = new long[size];
                for (int i = 0; i < size; i++) {
                    long left = channels[0][i];
                    long right = channels[1][i];
                    told[i] = side ? left - right : assigned == 10 ? left + right >> 1 : channels[channel][i];
                }
            }
            channel(told, depth + (side ? 1 : 0), how);
        }
        align();
        return bits(0, 16);
    }

    private void channel(long[] samples, int width, char how) {
        bits(0, 1);
        switch (how) {
            case 'c' -> bits(0, 6).bits(0, 1).bits(samples[0], width);
            case 'v' -> plain(samples, width, 0);
            case 'w' -> plain(samples, width, 2);
            case 'l' -> factors(samples, width);
            case 'r' -> expected(samples, width, 2, true);
            default -> expected(samples, width, how - '0', false);
        }
    }

    private void plain(long[] samples, int width, int wasted) {
        bits(1, 6).bits(wasted > 0 ? 1 : 0, 1);
        if (wasted > 0) {
            bits(1, wasted);
        }
        for (long sample : samples) {
            bits(sample >> wasted, width - wasted);
        }
    }

    private void factors(long[] samples, int width) {
        bits(32 + 1, 6).bits(0, 1).bits(samples[0], width).bits(samples[1], width).bits(9, 4).bits(5, 5).bits(60, 10).bits(-29, 10);
        long[] rest = new long[samples.length];
        for (int i = 2; i < samples.length; i++) {
            rest[i] = samples[i] - (60 * samples[i - 1] - 29 * samples[i - 2] >> 5);
        }
        rests(rest, 2, false);
    }

    private void expected(long[] samples, int width, int order, boolean raw) {
        int[][] fixed = {{}, {1}, {2, -1}, {3, -3, 1}, {4, -6, 4, -1}};
        bits(8 + order, 6).bits(0, 1);
        for (int i = 0; i < order; i++) {
            bits(samples[i], width);
        }
        long[] rest = new long[samples.length];
        for (int i = order; i < samples.length; i++) {
            rest[i] = samples[i];
            for (int j = 0; j < order; j++) {
                rest[i] -= fixed[order][j] * samples[i - 1 - j];
            }
        }
        rests(rest, order, raw);
    }

    /** In four parts; raw ones with as many bits as are ever needed here. */
    private void rests(long[] rest, int order, boolean raw) {
        bits(raw ? 1 : 0, 2).bits(2, 4);
        int each = rest.length / 4;
        for (int part = 0; part < 4; part++) {
            int from = part == 0 ? order : part * each;
            if (raw) {
                bits(31, 5).bits(30, 5);
            } else {
                bits(part + 8, 4);
            }
            for (int i = from; i < (part + 1) * each; i++) {
                if (raw) {
                    bits(rest[i], 30);
                } else {
                    long folded = rest[i] << 1 ^ rest[i] >> 63;
                    for (long zeros = folded >> part + 8; zeros > 0; zeros--) {
                        bits(0, 1);
                    }
                    bits(1, 1).bits(folded, part + 8);
                }
            }
        }
    }
}
