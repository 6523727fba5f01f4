package org.opensatchel.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout;

/**
 * Streams the kits of a class whose starter files are large. Baseline: a checksum over the same bytes in the same run, which
 * every archive has to make. Told: time to the first byte, the ratio, and the most heap that was held.
 */
final class HandoutBench {

    private static final int FILES = 8;

    private HandoutBench() {
    }

    public static void main(String[] args) throws IOException {
        int students = args.length > 0 ? Integer.parseInt(args[0]) : 3;
        long bytes = (args.length > 1 ? Long.parseLong(args[1]) : 2048) << 20;
        long one = bytes / FILES;
        Kit kit = kit(one);
        long began = System.nanoTime();
        CRC32 crc = new CRC32();
        byte[] buffer = new byte[1 << 16];
        for (int i = 0; i < FILES; i++) {
            try (InputStream in = new Noise(one)) {
                for (int got = in.read(buffer); got >= 0; got = in.read(buffer)) {
                    crc.update(buffer, 0, got);
                }
            }
        }
        double baseline = seconds(began);
        double longest = 0;
        double firstByte = 0;
        for (int i = 0; i < students; i++) {
            RosterFields fields = new RosterFields(Map.of(RosterField.LAST, "Marsh" + i, RosterField.FIRST, "Ottoline", RosterField.COURSE,
                    "MOV 120", RosterField.ASSIGNMENT, "A2"));
            FirstByte out = new FirstByte();
            long start = System.nanoTime();
            Handout.of(kit, "0".repeat(64), fields).orElseThrow().write(out, file -> new Noise(file.bytes()));
            longest = Math.max(longest, seconds(start));
            firstByte = Math.max(firstByte, (out.first - start) / 1e9);
        }
        System.out.printf("hand-out: %d students, %d MiB of starter files each%n", students, bytes >> 20);
        System.out.printf("  checksum over the same bytes   %.2f s (baseline)%n", baseline);
        System.out.printf("  longest hand-out               %.2f s, %.2f times the baseline%n", longest, longest / baseline);
        System.out.printf("  latest first byte              %.3f s%n", firstByte);
        System.out.printf("  most heap held                 %d MiB%n", peakHeap() >> 20);
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    private static long peakHeap() {
        return ManagementFactory.getMemoryPoolMXBeans().stream().filter(pool -> pool.getType() == MemoryType.HEAP)
                .map(MemoryPoolMXBean::getPeakUsage).mapToLong(usage -> usage.getUsed()).sum();
    }

    private static Kit kit(long bytesEach) {
        List<String> starters = new ArrayList<>();
        for (int i = 0; i < FILES; i++) {
            starters.add("{\"path\": \"footage/stall_" + i + ".mp4\", \"sha256\": \"" + Integer.toString(i).repeat(64) + "\", \"bytes\": "
                    + bytesEach + "}");
        }
        String json = "{\"kit\": 1, \"title\": \"Bench\", \"root\": {\"name\": \"{course}_{assignment}_{last}_{first}\"}, \"folders\": [{\"path\": \"footage\"}], \"starter\": ["
                + String.join(",", starters) + "]}";
        return KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    }

    /** Bytes that do not compress, made as they are read. */
    private static final class Noise extends InputStream {
        private long left;
        private long state = 88172645463325252L;

        Noise(long bytes) {
            this.left = bytes;
        }

        @Override
        public int read() {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int from, int length) {
            if (left == 0) {
                return -1;
            }
            int count = (int) Math.min(left, length);
            for (int i = 0; i < count; i += 8) {
                state ^= state << 13;
                state ^= state >>> 7;
                state ^= state << 17;
                for (int j = 0; j < 8 && i + j < count; j++) {
                    into[from + i + j] = (byte) (state >>> (8 * j));
                }
            }
            left -= count;
            return count;
        }
    }

    private static final class FirstByte extends OutputStream {
        private long first;

        @Override
        public void write(int b) {
            first = first == 0 ? System.nanoTime() : first;
        }

        @Override
        public void write(byte[] bytes, int from, int length) {
            first = first == 0 ? System.nanoTime() : first;
        }
    }
}
