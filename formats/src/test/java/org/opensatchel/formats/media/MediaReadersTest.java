package org.opensatchel.formats.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.media.MediaFacts.End;

/** Facts of files made by construction, those files cut and damaged, and how little of them is read. */
class MediaReadersTest {

    private static final int DAMAGED = 400;

    static Stream<Sample> samples() {
        return Stream.of(PictureSamples.all(), SoundSamples.all(), FilmSamples.all(), OtherSamples.all()).flatMap(List::stream);
    }

    @ParameterizedTest
    @MethodSource("samples")
    void whatAFileSaysIsRead(Sample sample) throws IOException {
        assertThat(sample.read().map(Sample::said)).hasValue(sample.facts());
    }

    @Test
    void everyContainerIsTriedInManyForms() throws IOException {
        Map<String, Long> forms = samples().collect(Collectors.groupingBy(sample -> sample.facts().split(",")[0], Collectors.counting()));
        assertThat(forms.keySet())
                .containsAll(Formats.all().stream().flatMap(format -> format.facts().stream()).map(MediaReader::container).toList());
        assertThat(forms.entrySet().stream().filter(form -> form.getValue() < 20 && !form.getKey().equals("MOV"))).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("samples")
    void whatIsCutAtABorderIsNotWhole(Sample sample) throws IOException {
        for (int border : sample.borders()) {
            Optional<MediaFacts> facts = MediaReaders.read(Bytes.of(Bytes.cut(sample.bytes(), border)));
            assertThat(facts.map(MediaFacts::end)).as("%s cut at %d", sample, border).isIn(Optional.empty(), Optional.of(End.CUT),
                    Optional.of(End.UNREAD));
        }
    }

    /** Whether a third from behind is missed: where the structure says how long the content is, and the content fills that third. */
    static boolean isMissed(Sample sample) {
        boolean harmless = sample.name().contains("behind it") || sample.facts().matches(".*(OPEN|CUT|UNREAD)")
                || sample.name().matches("mp3.*")
                // What is no whole JSON any more is told where its links are read.
                || sample.facts().startsWith("glTF")
                // Of these the content is only the last bit.
                || List.of("png of wide pixels", "png with words", "wave of an odd length").contains(sample.name());
        return !harmless;
    }

    /** What has begun and says how long it is, is cut when a third of it is gone. */
    @ParameterizedTest
    @MethodSource("samples")
    void whatIsCutInItsContentIsCut(Sample sample) throws IOException {
        int step = Math.max(1, sample.bytes().length / 300);
        for (int length = 0; length < sample.bytes().length; length += step) {
            MediaReaders.read(Bytes.of(Bytes.cut(sample.bytes(), length)));
        }
        if (isMissed(sample)) {
            int half = sample.bytes().length * 2 / 3;
            assertThat(MediaReaders.read(Bytes.of(Bytes.cut(sample.bytes(), half))).map(MediaFacts::end)).as("%s at two thirds", sample)
                    .hasValue(End.CUT);
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void whatIsDamagedIsNoFaultOfOurs(Sample sample) throws IOException {
        Random random = new Random(sample.name().hashCode());
        for (int i = 0; i < DAMAGED; i++) {
            byte[] damaged = sample.bytes().clone();
            // Most of what is read stands in front.
            int reach = random.nextBoolean() ? Math.min(200, damaged.length) : damaged.length;
            for (int j = 0; j <= random.nextInt(6); j++) {
                damaged[random.nextInt(reach)] = (byte) (random.nextInt(3) == 0 ? 0xff : random.nextInt(256));
            }
            Bytes bytes = Bytes.of(damaged);
            MediaReaders.read(bytes);
            assertThat(bytes.asked()).as("%s, %d", sample, i).isLessThan(20L * damaged.length + 4_000_000);
        }
    }

    /** A hundred gigabytes, of which a few pages are looked at. */
    @Test
    void littleIsReadOfWhatIsLong() throws IOException {
        long length = 100L << 30;
        Sample film = FilmSamples.all().get(0);
        int before = film.bytes().length - 3_008;
        Out out = new Out().add(Bytes.cut(film.bytes(), before)).u32(1).text("mdat").u64(length - before);
        Bytes bytes = Bytes.endless(out.bytes(), length);
        assertThat(MediaReaders.read(bytes).map(Sample::said)).hasValue(film.facts());
        assertThat(bytes.asked()).isLessThan(64 << 10);
        Out wave = new Out().text("RF64").u32(0xffffffffL).text("WAVE")
                .add(SoundSamples.chunk("ds64", new Out().le64(length - 8).le64(length - 80).le64(0).le32(0).bytes()))
                .add(SoundSamples.chunk("fmt ", SoundSamples.format(1, 2, 48_000, 24))).text("data").u32(0xffffffffL);
        Bytes sound = Bytes.endless(wave.bytes(), length);
        assertThat(MediaReaders.read(sound).map(MediaFacts::end)).hasValue(End.WHOLE);
        assertThat(sound.asked()).isLessThan(64 << 10);
    }

    @Test
    void whatIsNoMediaIsNotRead() throws IOException {
        for (String text : List.of("", "x", "Hello, world.", "<svg xmlns='http://www.w3.org/2000/svg'/>", "{\"a\": 1}", "%PDF-1.7", "RIFF",
                "FORM",
                "\u00ff\u00ff\u00ff\u00ff", "BMW is a car, and this is a text about it that goes on.")) {
            assertThat(MediaReaders.read(Bytes.of(new Out().text(text).bytes()))).as(text).isEmpty();
        }
    }

    /** What only begins like a container, as files of tests and placeholders do, is not broken off: nobody knows what it is. */
    @Test
    void whatOnlyBeginsLikeAContainerIsNotCut() throws IOException {
        // One that begins with its data has begun.
        for (Sample sample : samples().filter(one -> !one.name().equals("movie without a type")).toList()) {
            for (int begin : new int[]{4, 8, 12, 16}) {
                byte[] stub = new Out().add(Bytes.cut(sample.bytes(), Math.min(begin, sample.bytes().length))).zeros(60).bytes();
                assertThat(MediaReaders.read(Bytes.of(stub)).map(MediaFacts::end)).as("%s after %d", sample, begin)
                        .isNotEqualTo(Optional.of(End.CUT));
            }
        }
    }

    /** What looks like a frame within another is none: sound FLAC is whole whatever stands in it, and half of it is cut. */
    @Test
    void flacIsWholeWhateverStandsInIt() throws IOException {
        for (int i = 0; i < 100; i++) {
            byte[] flac = SoundSamples.flacFullOfBeginnings(new Random(i));
            assertThat(MediaReaders.read(Bytes.of(flac)).map(MediaFacts::end)).as("%d", i).hasValue(End.WHOLE);
            assertThat(MediaReaders.read(Bytes.of(Bytes.cut(flac, flac.length * 2 / 3))).map(MediaFacts::end)).as("%d", i)
                    .hasValue(End.CUT);
        }
    }

    /** Small differences between what is said and what is there that writers of whole files make. */
    @Test
    void whatIsLeftOutAtTheEndByCustomIsNoLoss() throws IOException {
        byte[] bmp = PictureSamples.all().stream().filter(one -> one.name().equals("bmp from the top")).findFirst().orElseThrow().bytes();
        assertThat(MediaReaders.read(Bytes.of(Bytes.cut(bmp, bmp.length - 2))).map(MediaFacts::end)).hasValue(End.WHOLE);
        byte[] wave = SoundSamples.all().get(0).bytes();
        assertThat(MediaReaders.read(Bytes.of(Bytes.cut(wave, wave.length - 1))).map(MediaFacts::end)).hasValue(End.WHOLE);
        assertThat(MediaReaders.read(Bytes.of(Bytes.cut(wave, wave.length - 3))).map(MediaFacts::end)).hasValue(End.CUT);
    }

    /** An MP3 that counts itself is short of what it says when much of it is gone; one of a few bytes less is not. */
    @Test
    void countsOfFramesAreTakenWithAGrainOfSalt() throws IOException {
        byte[] whole = SoundSamples.all().stream().filter(one -> one.name().equals("mp3 Xing 2, 100")).findFirst().orElseThrow().bytes();
        assertThat(MediaReaders.read(Bytes.of(Bytes.cut(whole, whole.length - 500))).map(MediaFacts::end)).hasValue(End.WHOLE);
        assertThat(MediaReaders.read(Bytes.of(Bytes.cut(whole, whole.length / 2))).map(MediaFacts::end)).hasValue(End.CUT);
    }
}
