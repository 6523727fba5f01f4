package org.opensatchel.formats.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.sound.PcmFormat;

/** Samples that lie between pictures are found where they lie, piece by piece, and nowhere else. */
class StoredSamplesTest {

    private static final byte[] SOUND = SoundSamples.noise(4_000);
    private static final byte[] PICTURE = new byte[333];
    private static final int PIECE = 400;

    /** What is heard, in one piece. */
    static byte[] heard(byte[] file, Samples samples) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        samples.runs().forEach(run -> out.write(file, (int) run.at(), (int) run.bytes()));
        return out.toByteArray();
    }

    private static Optional<Samples> samples(String ending, byte[] file) throws IOException {
        return MediaReaders.samples(ending, Bytes.of(file));
    }

    // ---- AVI

    /** @param fromFile whether places are told from where the file begins */
    private static byte[] avi(boolean fromFile, int tag, Out behind) {
        Out head = FilmSamples.list("hdrl", FilmSamples.aviVideo("MJPG", 64, 36, 24, 25, 1, 10),
                FilmSamples.aviSound(tag, 2, 8_000, 16, 1));
        Out data = new Out();
        Out index = new Out();
        int movie = 12 + head.size() + 8;
        for (int from = 0; from < SOUND.length; from += PIECE) {
            for (int i = 0; i < 2; i++) {
                byte[] piece = i == 0 ? PICTURE : Arrays.copyOfRange(SOUND, from, from + PIECE);
                String name = i == 0 ? "00dc" : "01wb";
                index.text(name).le32(0).le32(4 + data.size() + (fromFile ? movie : 0)).le32(piece.length);
                data.text(name).le32(piece.length).add(piece).zeros(piece.length & 1);
            }
        }
        Out inside = new Out().text("AVI ").add(head).text("LIST").le32(4 + data.size()).text("movi").add(data).text("idx1")
                .le32(index.size())
                .add(index);
        return new Out().text("RIFF").le32(inside.size()).add(inside).add(behind).bytes();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void samplesOfAnAviStandInItsIndex(boolean fromFile) throws IOException {
        byte[] file = avi(fromFile, 1, new Out());
        Samples samples = samples("avi", file).orElseThrow();
        assertThat(heard(file, samples)).isEqualTo(SOUND);
        assertThat(samples.format()).isEqualTo(new PcmFormat(PcmFormat.Kind.SIGNED, 2, true, 2, 8_000));
    }

    @Test
    void whatIsCodedOrGoesOnInAnotherFormIsLetBe() throws IOException {
        assertThat(samples("avi", avi(false, 0x55, new Out()))).isEmpty();
        assertThat(samples("avi", avi(false, 1, new Out().text("RIFF").le32(4).text("AVIX")))).isEmpty();
        byte[] whole = avi(false, 1, new Out());
        assertThat(samples("avi", Bytes.cut(whole, whole.length * 2 / 3))).isEmpty();
    }

    // ---- Matroska

    private static byte[] matroska(String codec, int bits, int flags, Out... more) {
        Out sound = FilmSamples.element(0xae, FilmSamples.number(0xd7, 2), FilmSamples.number(0x83, 2), FilmSamples.words(0x86, codec),
                FilmSamples.element(0xe1, FilmSamples.number(0x9f, 2), FilmSamples.number(0x6264, bits)));
        for (Out one : more) {
            sound = FilmSamples.element(0xae, FilmSamples.number(0xd7, 2), FilmSamples.number(0x83, 2), FilmSamples.words(0x86, codec),
                    FilmSamples.element(0xe1, FilmSamples.number(0x9f, 2), FilmSamples.number(0x6264, bits)), one);
        }
        Out picture = FilmSamples.element(0xae, FilmSamples.number(0xd7, 1), FilmSamples.number(0x83, 1), FilmSamples.words(0x86, "V_VP9"),
                FilmSamples.element(0xe0, FilmSamples.number(0xb0, 64), FilmSamples.number(0xba, 36)));
        Out inside = FilmSamples.element(0x1654ae6bL, picture, sound);
        for (int from = 0; from < SOUND.length; from += 2 * PIECE) {
            Out first = Out.of(0x82, 0, 0, flags).add(Arrays.copyOfRange(SOUND, from, from + PIECE));
            Out second = Out.of(0x40, 2, 0, 9, flags).add(Arrays.copyOfRange(SOUND, from + PIECE, from + 2 * PIECE));
            inside.add(FilmSamples.element(0x1f43b675L, FilmSamples.number(0xe7, from),
                    FilmSamples.element(0xa3, Out.of(0x81, 0, 0, 0x80).add(PICTURE)),
                    FilmSamples.element(0xa3, first), FilmSamples.element(0xa0, FilmSamples.element(0xa1, second))));
        }
        return new Out().add(FilmSamples.element(0x1a45dfa3L, FilmSamples.words(0x4282, "matroska")))
                .add(FilmSamples.element(0x18538067L, inside)).bytes();
    }

    @ParameterizedTest
    @CsvSource({"A_PCM/INT/LIT, 16, SIGNED, true", "A_PCM/INT/BIG, 16, SIGNED, false", "A_PCM/INT/LIT, 8, UNSIGNED, true",
            "A_PCM/INT/LIT, 24, SIGNED, true", "A_PCM/FLOAT/IEEE, 32, FLOAT, true"})
    void samplesOfMatroskaStandInItsBlocks(String codec, int bits, PcmFormat.Kind kind, boolean little) throws IOException {
        byte[] file = matroska(codec, bits, 0x80);
        Samples samples = samples("mkv", file).orElseThrow();
        assertThat(heard(file, samples)).isEqualTo(SOUND);
        assertThat(samples.format()).isEqualTo(new PcmFormat(kind, bits / 8, little, 2, 8_000));
    }

    @Test
    void whatIsPackedOnceMoreOrLaidTogetherIsLetBe() throws IOException {
        assertThat(samples("mkv", matroska("A_AAC", 16, 0))).isEmpty();
        assertThat(samples("mkv", matroska("A_PCM/INT/LIT", 16, 2))).isEmpty();
        assertThat(samples("mkv", matroska("A_PCM/INT/LIT", 16, 0, FilmSamples.element(0x6d80, new Out().u8(0))))).isEmpty();
        byte[] whole = matroska("A_PCM/INT/LIT", 16, 0);
        assertThat(samples("mkv", Bytes.cut(whole, whole.length * 2 / 3))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"avi", "mkv"})
    void whatIsDamagedIsNoFaultOfOurs(String ending) throws IOException {
        byte[] whole = ending.equals("avi") ? avi(false, 1, new Out()) : matroska("A_PCM/INT/LIT", 16, 0);
        Random random = new Random(7);
        for (int i = 0; i < 1_000; i++) {
            byte[] damaged = whole.clone();
            for (int n = random.nextInt(5); n >= 0; n--) {
                damaged[random.nextInt(random.nextBoolean() ? 200 : damaged.length)] = (byte) random.nextInt();
            }
            samples(ending, damaged).ifPresent(samples -> assertThat(samples.runs())
                    .allSatisfy(run -> assertThat(run.at() + run.bytes()).isLessThanOrEqualTo(damaged.length)));
        }
    }
}
