package org.opensatchel.core.check.brief;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.sound.SoundLevels;

/** Briefs, written as kits have them, against what files say of themselves, written in a line. */
class BriefJudgeTest {

    private static Kit kit(String media) {
        return KitReader
                .read(("{\"kit\": 1, \"title\": \"K\", \"version\": 1, \"root\": {\"name\": \"P\"}, \"files\": [{\"role\": \"Film\", "
                        + "\"name\": \"film\", \"types\": [\"mp4\"], \"media\": {" + media + "}}]}").getBytes(StandardCharsets.UTF_8))
                .kit()
                .orElseThrow();
    }

    private static MediaRule rule(String media) {
        return kit("\"" + media.replace(": ", "\": ").replace("; ", ", \"").replace('\'', '"')).files().get(0).media().orElseThrow();
    }

    /** {@code H.264 1280x720 turned 90 pixels 4/3 rate 30/1 bits 8 alpha, AAC 2 at 48000, seconds 12, peak -6, loudness -23}. */
    static final class Told {
        private final List<Picture> pictures = new ArrayList<>();
        private final List<Sound> sounds = new ArrayList<>();
        private Optional<Rational> seconds = Optional.empty();
        private OptionalDouble peak = OptionalDouble.empty();
        private OptionalDouble loudness = OptionalDouble.empty();
        private long clipped;
        private End end = End.WHOLE;

        Told(String line) {
            Stream.of(line.split(", ")).filter(part -> !part.isBlank()).forEach(this::part);
        }

        private void part(String part) {
            List<String> words = Arrays.asList(part.split(" "));
            String first = words.get(0);
            switch (first) {
                case "seconds" -> seconds = Optional.of(new Rational(Math.round(Double.parseDouble(words.get(1)) * 1_000), 1_000));
                case "peak" -> peak = OptionalDouble.of(Double.parseDouble(words.get(1)));
                case "clipped" -> clipped = Long.parseLong(words.get(1));
                case "loudness" -> loudness = OptionalDouble.of(Double.parseDouble(words.get(1)));
                case "cut" -> end = End.CUT;
                default -> {
                    int at = words.indexOf("at");
                    if (at > 0) {
                        sounds.add(new Sound(String.join(" ", words.subList(0, at - 1)), Integer.parseInt(words.get(at - 1)),
                                Integer.parseInt(words.get(at + 1)), number(words, "bits")));
                    } else {
                        pictures.add(picture(words));
                    }
                }
            }
        }

        private static Picture picture(List<String> words) {
            int size = 0;
            while (!words.get(size).matches("\\d+x\\d+")) {
                size++;
            }
            String[] sides = words.get(size).split("x");
            Optional<Boolean> alpha = words.contains("alpha") ? Optional.of(true)
                    : words.contains("opaque") ? Optional.of(false) : Optional.empty();
            Optional<Rational> rate = fraction(words, "rate");
            return new Picture(String.join(" ", words.subList(0, size)), Integer.parseInt(sides[0]), Integer.parseInt(sides[1]),
                    fraction(words, "pixels").orElse(Rational.ONE), number(words, "turned").orElse(0), rate,
                    rate.map(some -> !words.contains("varies")), OptionalLong.empty(), number(words, "bits"), alpha, Optional.empty());
        }

        private static OptionalInt number(List<String> words, String name) {
            int at = words.indexOf(name);
            return at < 0 ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(words.get(at + 1)));
        }

        private static Optional<Rational> fraction(List<String> words, String name) {
            int at = words.indexOf(name);
            String[] parts = at < 0 ? new String[0] : words.get(at + 1).split("/");
            return at < 0 ? Optional.empty() : Optional.of(new Rational(Long.parseLong(parts[0]), Long.parseLong(parts[1])));
        }

        MediaFacts facts() {
            return new MediaFacts("MP4", end, seconds, pictures, sounds);
        }

        Optional<SoundLevels> levels() {
            return peak.isPresent() ? Optional.of(new SoundLevels(peak.getAsDouble(), clipped, loudness, List.of())) : Optional.empty();
        }
    }

    private static String judged(String media, String file, boolean specific) {
        Told told = new Told(file);
        BriefJudge.Judged judged = BriefJudge.judge(rule(media), told.facts(), told.levels(), specific);
        return Stream.concat(judged.mismatches().stream().map(one -> one.code().id().substring("media.".length())),
                judged.unjudged().stream().map(one -> "?" + one.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')))
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest(name = "{0} | {1}")
    @CsvSource(delimiter = '|', ignoreLeadingAndTrailingWhitespace = true, value = {
            // Sizes: as shown or as stored, upright or lying.
            "width: 1280; height: 720 | H.264 1280x720 rate 30/1, seconds 12 |",
            "width: 1280; height: 720 | H.264 960x540 rate 30/1, seconds 12 | size",
            "width: 1280; height: 720 | H.264 720x1280 turned 90 rate 30/1, seconds 12 |",
            "width: 1280; height: 720 | H.264 1280x720 turned 90 rate 30/1, seconds 12 | size",
            "width: 1920; height: 1080 | H.264 1440x1080 pixels 4/3 rate 25/1, seconds 2 |",
            "width: 1440; height: 1080 | H.264 1440x1080 pixels 4/3 rate 25/1, seconds 2 |",
            "width: 1280 | PNG 1280x9 |", "height: 720 | PNG 1280x719 | size", "width: 1280 | PNG 0x0 | ?size",
            "minPixels: 921600 | PNG 1280x720 |", "minPixels: 921601 | PNG 1280x720 | size", "maxPixels: 921599 | PNG 1280x720 | size",
            "multipleOf: 8 | PNG 1280x720 |", "multipleOf: 16 | PNG 1280x724 | size",
            "width: 640; minPixels: 999999; multipleOf: 7 | PNG 320x320 | size",
            // Shapes, with what standards round.
            "aspect: '16:9' | H.264 854x480 rate 25/1, seconds 1 |", "aspect: '16:9' | H.264 1366x768 rate 25/1, seconds 1 |",
            "aspect: '4:3' | H.264 720x576 pixels 16/15 rate 25/1, seconds 1 |",
            "aspect: '16:9' | H.264 1998x1080 rate 24/1, seconds 1 | aspect",
            "aspect: '9:16' | H.264 1920x1080 turned 270 rate 30/1, seconds 1 |", "aspect: '1:1' | PNG 500x500 |",
            "aspect: '1:1' | PNG 500x512 | aspect", "aspect: '16:9' | PNG 16x10 | aspect", "aspect: '16:9' | PNG 18x10 |",
            "aspect: '16:9' | PNG 0x0 | ?shape",
            // Transparency.
            "alpha: true | PNG 5x5 alpha |", "alpha: true | PNG 5x5 opaque | alpha", "alpha: false | PNG 5x5 alpha | alpha",
            "alpha: true | JPEG 5x5 | ?transparency",
            // Rates.
            "frameRate: 30 | H.264 9x9 rate 30/1, seconds 1 |", "frameRate: 30 | H.264 9x9 rate 30000/1001, seconds 1 | frame-rate",
            "frameRate: 29.97 | H.264 9x9 rate 30000/1001, seconds 1 |", "frameRate: 23.976 | H.264 9x9 rate 24000/1001, seconds 1 |",
            "frameRate: 25 | H.264 9x9, seconds 1 | ?frame-rate", "frameRate: 25 | PNG 9x9 |",
            "frameRate: 25 | AAC 2 at 48000, seconds 3 |",
            "constantRate: true | H.264 9x9 rate 30/1 varies, seconds 1 | variable-rate",
            "constantRate: true | H.264 9x9 rate 30/1, seconds 1 |",
            "constantRate: false | H.264 9x9 rate 30/1 varies, seconds 1 |", "constantRate: true | H.264 9x9, seconds 1 | ?frame-rate",
            // Lengths, with what coding fills up.
            "maxSeconds: 20 | H.264 9x9 rate 30/1, seconds 20.03 |", "maxSeconds: 20 | H.264 9x9 rate 30/1, seconds 20.2 | too-long",
            "minSeconds: 10 | PCM 1 at 48000, seconds 9.98 |", "minSeconds: 10 | PCM 1 at 48000, seconds 9.5 | too-short",
            "maxSeconds: 20 | H.264 9x9 rate 30/1, cut, seconds 99 |", "maxSeconds: 5 | H.264 9x9 rate 30/1 | ?length",
            "maxSeconds: 5 | PNG 9x9 |",
            "minSeconds: 10 | H.264 9x9 rate 1/2, seconds 8.5 | too-short",
            // Codecs by their standards' names.
            "codecs: ['H.264'] | H.264 9x9 rate 30/1, AAC 2 at 48000, seconds 1 |",
            "codecs: ['h264', 'aac'] | H.264 9x9 rate 30/1, AAC 2 at 48000, seconds 1 |",
            "codecs: ['AVC', 'AAC'] | H.264 9x9 rate 30/1, MPEG-1 Audio Layer III 2 at 48000, seconds 1 | codec",
            "codecs: ['HEVC'] | H.264 9x9 rate 30/1, seconds 1 | codec", "codecs: ['mp3'] | MPEG-2 Audio Layer III 2 at 48000, seconds 1 |",
            "codecs: ['PCM'] | PCM float 2 at 48000, seconds 1 |", "codecs: ['H.264'] | xyz1 9x9 rate 30/1, seconds 1 | ?codec",
            "codecs: ['PCM'] | 0x1234 2 at 48000, seconds 1 | ?codec", "codecs: ['xyz1'] | xyz1 9x9 rate 30/1, seconds 1 |",
            "codecs: ['xyz1'] | H.264 9x9 rate 30/1, seconds 1 | codec", "codecs: ['AAC'] | H.264 9x9 rate 30/1, seconds 1 |",
            // Sound.
            "sound: true | H.264 9x9 rate 30/1, seconds 1 | silent", "sound: false | H.264 9x9 rate 30/1, seconds 1 |",
            "sound: false | H.264 9x9 rate 30/1, AAC 2 at 48000, seconds 1 | sound", "sound: true | PNG 9x9 |",
            "sound: true | H.264 9x9 rate 30/1, PCM 1 at 48000, seconds 1, peak -Infinity | silent",
            "sound: false | H.264 9x9 rate 30/1, PCM 1 at 48000, seconds 1, peak -Infinity |",
            "peakDb: [-12, -3] | H.264 9x9 rate 30/1, seconds 1 | silent",
            "peakDb: [-12, -3] | PCM 2 at 48000, seconds 1, peak -6 |", "peakDb: [-12, -3] | PCM 2 at 48000, seconds 1, peak -2.95 |",
            "peakDb: [-12, -3] | PCM 2 at 48000, seconds 1, peak -2.5 | peak-high",
            "peakDb: [-12, -3] | PCM 2 at 48000, seconds 1, peak -0.0, clipped 4 | clipping peak-high",
            "peakDb: [-12, -3] | PCM 2 at 48000, seconds 1, peak -30 | peak-low", "peakDb: [-12, -3] | AAC 2 at 48000, seconds 1 | ?peaks",
            "peakDb: [-12, -3] | PCM 2 at 48000, cut, seconds 1, peak -1 |",
            "loudness: [-24, -22] | PCM 2 at 48000, seconds 1, peak -6, loudness -23 |",
            "loudness: [-24, -22] | PCM 2 at 48000, seconds 1, peak -6, loudness -14 | loudness",
            "loudness: [-24, -22] | PCM 2 at 48000, seconds 0.2, peak -6 | ?loudness",
            "sampleRate: 48000 | PCM 2 at 48000, seconds 1 |", "sampleRate: 48000 | PCM 2 at 44100, seconds 1 | sample-rate",
            "channels: 2 | PCM 2 at 48000, seconds 1 |", "channels: 2 | PCM 1 at 48000, PCM 1 at 48000, seconds 1 |",
            "channels: 2 | PCM 1 at 48000, seconds 1 | channels", "channels: 2 | PCM 6 at 48000, PCM 2 at 48000, seconds 1 |",
            "bitDepth: 24 | PCM 2 at 48000 bits 24, seconds 1 |", "bitDepth: 24 | PCM 2 at 48000 bits 16, seconds 1 | bit-depth",
            "bitDepth: 24 | AAC 2 at 48000, seconds 1 | ?bits", "bitDepth: 8 | PNG 9x9 bits 16 | bit-depth",
            // Who says nothing is not judged.
            "width: 9; aspect: '1:1'; frameRate: 9; minSeconds: 1; codecs: ['PCM']; sound: true; peakDb: [-9, -1] | | ?size ?shape ?frame-rate ?length ?codec ?sound ?peaks"})
    void aFilesOwnBrief(String media, String file, String expected) {
        assertThat(judged(media, file == null ? "" : file, true)).isEqualTo(expected == null ? "" : expected);
    }

    @ParameterizedTest(name = "{0} | {1}")
    @CsvSource(delimiter = '|', ignoreLeadingAndTrailingWhitespace = true, value = {
            "width: 1280; height: 720 | PCM 2 at 48000, seconds 1 |", "peakDb: [-12, -3] | H.264 9x9 rate 30/1, seconds 1 |",
            "channels: 2; sampleRate: 48000 | H.264 9x9 rate 30/1, seconds 1 |", "sound: true | H.264 9x9 rate 30/1, seconds 1 | silent",
            "frameRate: 25 | H.264 9x9 rate 30/1, seconds 1 | frame-rate"})
    void whateverLiesInAFolderNeedNotBeAllOfIt(String media, String file, String expected) {
        assertThat(judged(media, file, false)).isEqualTo(expected == null ? "" : expected);
    }

    @Test
    void aPictureIsAskedForWhereOneFileIsMeant() {
        assertThat(judged("width: 1280; height: 720", "PCM 2 at 48000, seconds 1", true)).isEqualTo("size");
    }

    @Test
    void everyCodeOfABriefIsGivenAbove() throws Exception {
        Set<Code> given = EnumSet.of(Code.MEDIA_NOT_JUDGED, Code.MEDIA_MIXED_RATES, Code.MEDIA_BELOW_TIMELINE);
        CsvSource table = BriefJudgeTest.class.getDeclaredMethod("aFilesOwnBrief", String.class, String.class, String.class)
                .getAnnotation(CsvSource.class);
        for (String line : table.value()) {
            String expected = line.substring(line.lastIndexOf('|') + 1).strip();
            Stream.of(expected.split(" ")).filter(code -> !code.isEmpty() && !code.startsWith("?"))
                    .forEach(code -> given.add(Code.of("media." + code).orElseThrow()));
        }
        assertThat(given).isEqualTo(
                Stream.of(Code.values()).filter(code -> code.family() == Family.MEDIA)
                        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Code.class))));
    }

    @Test
    void whatIsReadIsWrittenAgain() {
        Kit kit = kit(
                "\"width\": 1280, \"height\": 720, \"aspect\": \"16:9\", \"frameRate\": 29.97, \"constantRate\": true, \"minSeconds\": 1.5, "
                        + "\"maxSeconds\": 20, \"codecs\": [\"H.264\", \"AAC\"], \"sound\": false, \"peakDb\": [-12, -3.5], \"loudness\": [-24, -22], "
                        + "\"sampleRate\": 48000, \"channels\": 2, \"bitDepth\": 24, \"alpha\": false, \"minPixels\": 10, \"maxPixels\": 4000000000, \"multipleOf\": 2");
        Kit again = KitReader.read(KitWriter.write(kit)).kit().orElseThrow();
        assertThat(again.files()).isEqualTo(kit.files());
        assertThat(kit.briefs()).hasSize(1);
        assertThat(kit.briefs().get(0).rule().parts()).hasSize(17);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"frameRate: 0 | /files/0/media/frameRate",
            "minSeconds: 9; maxSeconds: 3 | /files/0/media/maxSeconds",
            "minPixels: 9; maxPixels: 3 | /files/0/media/maxPixels", "aspect: '16x9' | /files/0/media/aspect",
            "peakDb: [-3, -12] | /files/0/media/peakDb", "loudness: [1] | /files/0/media/loudness", "channels: 0 | /files/0/media/channels",
            "brightness: 3 | /files/0/media/brightness"})
    void whatNothingCanBeIsNoBrief(String media, String at) {
        String text = "\"" + media.strip().replace(": ", "\": ").replace("; ", ", \"").replace('\'', '"');
        assertThat(KitReader
                .read(("{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"files\": [{\"role\": \"Film\", \"name\": \"film\", "
                        + "\"media\": {" + text + "}}]}").getBytes(StandardCharsets.UTF_8))
                .faults()).extracting(fault -> fault.at()).containsExactly(at.strip());
    }
}
