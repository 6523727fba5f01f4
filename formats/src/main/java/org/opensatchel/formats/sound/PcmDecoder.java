package org.opensatchel.formats.sound;

import java.io.IOException;
import java.io.InputStream;

/** Makes numbers of samples that are stored as they are, a buffer at a time. */
public final class PcmDecoder {

    private static final int BUFFER = 1 << 16;

    private final PcmFormat format;
    private final double scale;

    private PcmDecoder(PcmFormat format) {
        this.format = format;
        this.scale = 1.0 / (1L << 8 * format.bytes() - 1);
    }

    /**
     * Gives a content's samples to a sink. A moment of which not all channels are there is left out.
     *
     * @param most so many bytes are read at most
     * @return how many moments there were
     */
    public static long decode(InputStream content, PcmFormat format, long most, SampleSink sink) throws IOException {
        return new PcmDecoder(format).all(content, most, sink);
    }

    private long all(InputStream content, long most, SampleSink sink) throws IOException {
        int frame = format.frameBytes();
        byte[] bytes = new byte[Math.max(1, BUFFER / frame) * frame];
        double[] samples = new double[bytes.length / format.bytes()];
        long left = most - most % frame;
        long frames = 0;
        while (left > 0) {
            int got = content.readNBytes(bytes, 0, (int) Math.min(bytes.length, left));
            int count = got / frame * format.channels();
            if (count == 0) {
                break;
            }
            numbers(bytes, samples, count);
            sink.samples(samples, count);
            frames += count / format.channels();
            left -= got;
            if (got < bytes.length && left > 0) {
                break;
            }
        }
        return frames;
    }

    private void numbers(byte[] bytes, double[] into, int count) {
        if (format.kind() == PcmFormat.Kind.FLOAT) {
            for (int i = 0; i < count; i++) {
                into[i] = fraction(bytes, i);
            }
        } else if (format.kind() == PcmFormat.Kind.SIGNED && format.bytes() == 2) {
            twos(bytes, into, count);
        } else if (format.kind() == PcmFormat.Kind.SIGNED && format.bytes() == 3) {
            threes(bytes, into, count);
        } else {
            for (int i = 0; i < count; i++) {
                into[i] = whole(bytes, i * format.bytes()) * scale;
            }
        }
    }

    // By far the most frequent are 16 and 24 bits. Their loops are as plain as can be: a compiler of any kind makes them fast.

    private void twos(byte[] bytes, double[] into, int count) {
        int low = format.little() ? 0 : 1;
        int high = 1 - low;
        for (int i = 0, at = 0; i < count; i++, at += 2) {
            into[i] = (bytes[at + high] << 8 | bytes[at + low] & 0xff) * scale;
        }
    }

    private void threes(byte[] bytes, double[] into, int count) {
        int low = format.little() ? 0 : 2;
        int high = 2 - low;
        for (int i = 0, at = 0; i < count; i++, at += 3) {
            into[i] = (bytes[at + high] << 16 | (bytes[at + 1] & 0xff) << 8 | bytes[at + low] & 0xff) * scale;
        }
    }

    private long word(byte[] bytes, int at) {
        long value = 0;
        for (int i = 0; i < format.bytes(); i++) {
            value = value << 8 | bytes[at + (format.little() ? format.bytes() - 1 - i : i)] & 0xff;
        }
        return value;
    }

    private long whole(byte[] bytes, int at) {
        long value = word(bytes, at);
        int bits = 8 * format.bytes();
        return format.kind() == PcmFormat.Kind.UNSIGNED ? value - (1L << bits - 1) : value << 64 - bits >> 64 - bits;
    }

    /** What is no number is silence. */
    private double fraction(byte[] bytes, int sample) {
        long word = word(bytes, sample * format.bytes());
        double value = format.bytes() == 4 ? Float.intBitsToFloat((int) word) : Double.longBitsToDouble(word);
        return Double.isFinite(value) ? value : 0;
    }
}
