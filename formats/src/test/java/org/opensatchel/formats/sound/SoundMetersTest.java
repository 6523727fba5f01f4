package org.opensatchel.formats.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Samples as numbers, their peaks, and how loud they are. */
class SoundMetersTest {

    private static final double TONE = 1_000;

    /** Stretches of a sine of so many seconds at so many dBFS each, the same in all channels. */
    private static void tones(LoudnessMeter meter, int channels, int rate, double... secondsAndLevels) {
        long moment = 0;
        for (int part = 0; part < secondsAndLevels.length; part += 2) {
            double height = Math.pow(10, secondsAndLevels[part + 1] / 20);
            double[] samples = new double[(int) Math.round(secondsAndLevels[part] * rate) * channels];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = height * Math.sin(2 * Math.PI * TONE * (moment + i / channels) / rate);
            }
            moment += samples.length / channels;
            meter.samples(samples, samples.length);
        }
    }

    /** The signals of EBU Tech 3341 (table 1, cases 1 to 5) that are made by formula: all have to be read within 0.1 of what is said. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"-23 | 20 -23", "-33 | 20 -33", "-23 | 10 -36 60 -23 10 -36",
            "-23 | 10 -72 10 -36 60 -23 10 -36 10 -72",
            "-23 | 20 -26 20.1 -20 20 -26"})
    void loudnessIsThatOfThePublishedSignals(double wanted, String parts) {
        double[] signal = Arrays.stream(parts.split(" ")).mapToDouble(Double::parseDouble).toArray();
        for (int rate : new int[]{44_100, 48_000, 96_000}) {
            LoudnessMeter meter = new LoudnessMeter(2, rate);
            tones(meter, 2, rate, signal);
            assertThat(meter.integrated().getAsDouble()).as("at %d", rate).isCloseTo(wanted, within(0.1));
        }
    }

    /** Case 6: five channels, each at its own level. */
    @Test
    void channelsBehindWeighMore() {
        double[] levels = {-28, -28, -24, -30, -30};
        LoudnessMeter five = new LoudnessMeter(5, 48_000);
        LoudnessMeter six = new LoudnessMeter(6, 48_000);
        for (int i = 0; i < 20 * 48_000; i++) {
            double tone = Math.sin(2 * Math.PI * TONE * i / 48_000);
            double[] moment = Arrays.stream(levels).map(level -> Math.pow(10, level / 20) * tone).toArray();
            five.samples(moment, 5);
            // What is for low tones does not count, however loud it is.
            six.samples(new double[]{moment[0], moment[1], moment[2], tone, moment[3], moment[4]}, 6);
        }
        assertThat(five.integrated().getAsDouble()).isCloseTo(-23, within(0.1));
        assertThat(six.integrated().getAsDouble()).isCloseTo(-23, within(0.1));
    }

    /** The filters of ITU-R BS.1770, tables 1 and 2. */
    @Test
    void filtersAreThoseOfTheTables() {
        assertThat(LoudnessMeter.Filter.shelf(48_000)).containsExactly(new double[]{1.53512485958697, -2.69169618940638, 1.19839281085285,
                -1.69065929318241, 0.73248077421585}, within(1e-9));
        assertThat(LoudnessMeter.Filter.pass(48_000)).containsExactly(new double[]{1, -2, 1, -1.99004745483398, 0.99007225036621},
                within(1e-9));
    }

    @Test
    void whatIsSilentOrShortHasNoLoudness() {
        LoudnessMeter silent = new LoudnessMeter(1, 48_000);
        silent.samples(new double[480_000], 480_000);
        assertThat(silent.integrated()).isEmpty();
        LoudnessMeter brief = new LoudnessMeter(1, 48_000);
        tones(brief, 1, 48_000, 0.35, -10);
        assertThat(brief.integrated()).isEmpty();
    }

    /** Whatever the pieces in which samples come, the same is said. */
    @ParameterizedTest
    @ValueSource(ints = {2, 6, 14, 1_000, 4_802})
    void piecesChangeNothing(int piece) {
        double[] samples = new Random(piece).doubles(96_000, -0.5, 0.5).toArray();
        LoudnessMeter whole = new LoudnessMeter(2, 48_000);
        PeakMeter wholePeak = new PeakMeter(2);
        whole.samples(samples, samples.length);
        wholePeak.samples(samples, samples.length);
        LoudnessMeter parts = new LoudnessMeter(2, 48_000);
        PeakMeter partPeak = new PeakMeter(2);
        for (int i = 0; i < samples.length; i += piece) {
            double[] some = Arrays.copyOfRange(samples, i, Math.min(samples.length, i + piece));
            parts.samples(some, some.length);
            partPeak.samples(some, some.length);
        }
        assertThat(parts.integrated()).isEqualTo(whole.integrated());
        assertThat(partPeak.peakDb()).isEqualTo(wholePeak.peakDb());
    }

    @ParameterizedTest
    @CsvSource({"0.5, -6.02", "1, 0", "0.251188643, -12", "0, -Infinity"})
    void thePeakIsTheHighestSample(double height, double decibels) {
        PeakMeter meter = new PeakMeter(1);
        meter.samples(new double[]{0, height / 2, -height, height / 3}, 4);
        if (Double.isInfinite(decibels)) {
            assertThat(meter.peakDb()).isEqualTo(Double.NEGATIVE_INFINITY);
        } else {
            assertThat(meter.peakDb()).isCloseTo(decibels, within(0.01));
        }
    }

    @Test
    void aFlatTopIsCutOffAndASingleSampleIsNot() {
        double full = 32_767 / 32_768.0;
        PeakMeter single = new PeakMeter(2);
        single.samples(new double[]{full, 0, 0.2, full, full, 0.1, -1, 0}, 8);
        assertThat(single.clipped()).isZero();
        PeakMeter flat = new PeakMeter(2);
        // Three in the left channel, twice; in the right one never.
        flat.samples(new double[]{full, 0, -1, 0, full, 0, 0.1, full, full, full}, 10);
        flat.samples(new double[]{full, 0, full, 0}, 4);
        assertThat(flat.clipped()).isEqualTo(2);
    }

    /** The same heights in every way of storing them. */
    @ParameterizedTest
    @CsvSource({"UNSIGNED, 1", "SIGNED, 1", "SIGNED, 2", "SIGNED, 3", "SIGNED, 4", "FLOAT, 4", "FLOAT, 8"})
    void samplesAreReadInEveryWayOfStoringThem(PcmFormat.Kind kind, int bytes) throws IOException {
        double[] heights = {0, 0.5, -0.5, 0.25, -1, 0.75, -0.125, 0.875};
        for (boolean little : new boolean[]{true, false}) {
            byte[] stored = stored(heights, kind, bytes, little);
            double[] read = new double[heights.length];
            int[] count = new int[1];
            long moments = PcmDecoder.decode(new ByteArrayInputStream(stored), new PcmFormat(kind, bytes, little, 2, 48_000),
                    Long.MAX_VALUE >> 1, (samples, some) -> {
                        System.arraycopy(samples, 0, read, count[0], some);
                        count[0] += some;
                    });
            assertThat(moments).isEqualTo(4);
            assertThat(read).containsExactly(heights, within(bytes == 1 ? 0.01 : 0.0001));
        }
    }

    private static byte[] stored(double[] heights, PcmFormat.Kind kind, int bytes, boolean little) {
        ByteBuffer out = ByteBuffer.allocate(heights.length * bytes);
        for (double height : heights) {
            ByteBuffer one = ByteBuffer.allocate(8).order(ByteOrder.BIG_ENDIAN);
            if (kind == PcmFormat.Kind.FLOAT) {
                one = bytes == 4 ? one.putFloat(height > 2 ? 0 : (float) height) : one.putDouble(height);
            } else {
                long whole = Math.round(height * (1L << 8 * bytes - 1)) + (kind == PcmFormat.Kind.UNSIGNED ? 128 : 0);
                one.putLong(whole << 64 - 8 * bytes);
            }
            for (int i = 0; i < bytes; i++) {
                out.put(one.get(little ? bytes - 1 - i : i));
            }
        }
        return out.array();
    }

    @Test
    void whatBreaksOffInTheMiddleOfAMomentIsReadUpToThere() throws IOException {
        PcmFormat format = new PcmFormat(PcmFormat.Kind.SIGNED, 2, true, 2, 8_000);
        PeakMeter meter = new PeakMeter(2);
        assertThat(PcmDecoder.decode(new ByteArrayInputStream(new byte[4 * 100_000 + 3]), format, Long.MAX_VALUE >> 1, meter))
                .isEqualTo(100_000);
        assertThat(PcmDecoder.decode(new ByteArrayInputStream(new byte[4_000]), format, 1_001, meter)).isEqualTo(250);
        assertThatThrownBy(() -> new PcmFormat(PcmFormat.Kind.FLOAT, 3, true, 1, 8_000)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsNoNumberIsSilence() throws IOException {
        ByteBuffer odd = ByteBuffer.allocate(12).putFloat(Float.NaN).putFloat(Float.POSITIVE_INFINITY).putFloat(0.5f);
        PeakMeter meter = new PeakMeter(1);
        PcmDecoder.decode(new ByteArrayInputStream(odd.array()), new PcmFormat(PcmFormat.Kind.FLOAT, 4, false, 1, 8_000), 12, meter);
        assertThat(meter.peakDb()).isCloseTo(-6.02, within(0.01));
    }
}
