package org.opensatchel.formats.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** FLAC decoded: every way of coding a channel and of telling two by their difference, and what is damaged. */
class FlacDecoderTest {

    private static final int SIZE = 1_024;
    private static final int DAMAGED = 400;

    /** A tone with some noise, each channel another; all are multiples of eight, so that bits may be left out. */
    private static long[][] channels(int count, int depth, int seed) {
        Random random = new Random(seed);
        long[][] out = new long[count][SIZE];
        double height = (1L << depth - 1) * 0.4;
        for (int channel = 0; channel < count; channel++) {
            for (int i = 0; i < SIZE; i++) {
                out[channel][i] = Math.round(height * Math.sin(i * (channel + 1) / 9.0) + random.nextInt(50)) & ~7L;
            }
        }
        return out;
    }

    private static List<Double> decoded(byte[] flac) throws IOException {
        List<Double> out = new ArrayList<>();
        FlacDecoder.decode(new ByteArrayInputStream(flac), Long.MAX_VALUE, (samples, count) -> {
            for (int i = 0; i < count; i++) {
                out.add(samples[i]);
            }
        });
        return out;
    }

    private static byte[] flac(int assigned, int depth, char how, long[][] channels) {
        FlacWriter writer = FlacWriter.head(channels.length, depth, SIZE * 3L);
        for (int i = 0; i < 3; i++) {
            writer.frame(i, assigned, depth, how, channels);
        }
        return writer.bytes();
    }

    @ParameterizedTest
    @CsvSource({"16, v", "16, w", "16, 0", "16, 1", "16, 2", "16, 3", "16, 4", "16, l", "16, r", "24, v", "24, 2", "24, l", "12, 1",
            "8, 2"})
    void everyWayOfCodingAChannelIsRead(int depth, char how) throws IOException {
        for (int assigned : new int[]{0, 1, 5, 8, 9, 10}) {
            long[][] channels = channels(assigned < 8 ? assigned + 1 : 2, depth, assigned);
            List<Double> got = decoded(flac(assigned, depth, how, channels));
            assertThat(got).hasSize(SIZE * 3 * channels.length);
            for (int i = 0; i < got.size(); i++) {
                long wanted = channels[i % channels.length][i / channels.length % SIZE];
                assertThat(got.get(i)).as("%d, %d", assigned, i).isEqualTo(wanted / (double) (1L << depth - 1), within(1e-12));
            }
        }
    }

    @Test
    void aConstantChannelIsRead() throws IOException {
        long[][] channels = new long[1][SIZE];
        Arrays.fill(channels[0], 8_192);
        assertThat(decoded(flac(0, 16, 'c', channels))).hasSize(3 * SIZE).containsOnly(0.25);
    }

    @Test
    void whatBreaksOffIsReadUpToThere() throws IOException {
        byte[] whole = flac(10, 16, '2', channels(2, 16, 1));
        assertThat(decoded(Arrays.copyOf(whole, whole.length * 2 / 3))).hasSize(SIZE * 2);
        assertThat(FlacDecoder.decode(new ByteArrayInputStream(whole), whole.length / 2, (samples, count) -> {})).isEqualTo(SIZE);
        assertThatThrownBy(() -> decoded("no sound at all".getBytes())).isInstanceOf(FlacDamaged.class);
    }

    /** No damage is worse than a word that says so, and none takes long. */
    @ParameterizedTest
    @CsvSource({"8, v", "9, l", "10, 3", "10, r"})
    void whatIsDamagedIsToldOrHeard(int assigned, char how) throws IOException {
        byte[] whole = flac(assigned, 16, how, channels(2, 16, how));
        Random random = new Random(how);
        for (int i = 0; i < DAMAGED; i++) {
            byte[] damaged = whole.clone();
            for (int j = 0; j <= random.nextInt(4); j++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            }
            try {
                FlacDecoder.decode(new ByteArrayInputStream(damaged), Long.MAX_VALUE,
                        (samples, count) -> assertThat(count).isLessThanOrEqualTo(2 << 16));
            } catch (FlacDamaged told) {
                assertThat(told).hasMessageMatching("[a-z].*");
            }
        }
    }
}
