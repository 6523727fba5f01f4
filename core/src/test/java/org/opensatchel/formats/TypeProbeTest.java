package org.opensatchel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.words.Words;

/** Pictures and sounds made by Java's own writers, and the beginnings of what it cannot write, under right and wrong names. */
class TypeProbeTest {

    /** A content with the extensions it may have, and what it is called under any other. */
    private record Content(String words, List<String> extensions, byte[] head) {
        @Override
        public String toString() {
            return words;
        }
    }

    static List<Content> contents() {
        return List.of(
                new Content("a PNG picture", List.of("png"), picture("png")),
                new Content("a JPEG picture", List.of("jpg", "jpeg"), picture("jpg")),
                new Content("a GIF picture", List.of("gif"), picture("gif")),
                new Content("a TIFF picture", List.of("tif", "tiff"), picture("tiff")),
                new Content("a WAVE sound", List.of("wav"), sound(AudioFileFormat.Type.WAVE)),
                new Content("an AIFF sound", List.of("aif", "aiff"), sound(AudioFileFormat.Type.AIFF)),
                new Content("a WebP picture", List.of("webp"), bytes("RIFF\u0024\0\0\0WEBPVP8 \u0018\0\0\0")),
                new Content("an OpenEXR picture", List.of("exr"), bytes("v/1\u0001\u0002\0\0\0channels\0chlist\0")),
                new Content("a HEIC picture", List.of("heic", "heif"), bytes("\0\0\0\u0018ftypheic\0\0\0\0mif1heic")),
                new Content("an AVIF picture", List.of("avif"), bytes("\0\0\0\u0018ftypavif\0\0\0\0mif1avif")),
                new Content("an MP4 film", List.of("mp4", "m4v", "mov", "m4a"), bytes("\0\0\0\u0018ftypisom\0\0\u0002\0isomiso2")),
                new Content("a FLAC sound", List.of("flac"), bytes("fLaC\0\0\0\"\u0010\0\u0010\0")),
                new Content("an MP3 sound", List.of("mp3", "flac"), bytes("ID3\u0003\0\0\0\0\0\u0021TIT2")),
                new Content("an Ogg sound", List.of("ogg", "oga", "opus"),
                        bytes("OggS\0\u0002\0\0\0\0\0\0\0\0\u0001\0\0\0\0\0\0\0\0\0\0\0\u0001\u001e\u0001vorbis\0\0\0\0\u0002")),
                new Content("an AVI film", List.of("avi"), bytes("RIFF\0\0\u0001\0AVI LIST\0\0\0\0hdrlavih")),
                new Content("a PDF document", List.of("pdf"), bytes("%PDF-1.7\n1 0 obj\n<< >>\nendobj\n")),
                new Content("a web page", List.of("html", "htm"),
                        bytes("<!DOCTYPE html><html><head><title>404</title></head><body>Not found</body></html>")));
    }

    private static byte[] bytes(String text) {
        return Arrays.copyOf(text.getBytes(StandardCharsets.ISO_8859_1), Math.max(200, text.length()));
    }

    private static byte[] picture(String format) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            assertThat(ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), format, out)).as(format).isTrue();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return out.toByteArray();
    }

    private static byte[] sound(AudioFileFormat.Type type) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] silence = new byte[4_000];
        // AIFF stores the high byte first.
        AudioFormat format = new AudioFormat(44_100, 16, 1, true, type.equals(AudioFileFormat.Type.AIFF));
        try {
            AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(silence), format, silence.length / 2), type, out);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return out.toByteArray();
    }

    private static byte[] head(byte[] content) {
        return Arrays.copyOf(content, Math.min(content.length, TypeProbe.HEAD_BYTES));
    }

    static Stream<Arguments> pairs() {
        return contents().stream().flatMap(content -> contents().stream().flatMap(other -> other.extensions.stream()).distinct()
                .map(extension -> Arguments.of(content, extension)));
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void anExtensionThatSaysSomethingElseIsTold(Content content, String extension) {
        if (content.extensions.contains(extension)) {
            assertThat(TypeProbe.lie(extension, head(content.head))).isEmpty();
        } else {
            assertThat(TypeProbe.lie(extension, head(content.head)).map(Words.ENGLISH::text)).contains(content.words);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"scn", "dat", "", "blend2", "xyz", "bak"})
    void ofAnExtensionThatPromisesNothingNothingIsTold(String extension) {
        contents().forEach(content -> assertThat(TypeProbe.lie(extension, head(content.head))).as(content.words).isEmpty());
    }

    /** Random bytes have no format: whatever two or three of them happen to say is no proof. */
    @RepeatedTest(200)
    void noiseIsNothing(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        byte[] noise = new byte[16 + random.nextInt(600)];
        random.nextBytes(noise);
        contents().stream().flatMap(content -> content.extensions.stream())
                .forEach(extension -> assertThat(TypeProbe.lie(extension, noise)).as(extension).isEmpty());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"svg | <svg xmlns=\"http://www.w3.org/2000/svg\"/>",
            "svg | <?xml version=\"1.0\"?><!-- drawn --><svg/>", "csv | shot,what", "md | # Title", "json | {\"a\": 1}",
            "css | a { b: c }", "html | <p>a page without a head</p>", "obj | v 0 0 0", "xml | <?xml version=\"1.0\"?><a/>",
            "txt | BMW and GIF are words", "srt | 1", "edl | TITLE: X"})
    void textUnderATextsNameIsFine(String extension, String text) {
        assertThat(TypeProbe.lie(extension, text.getBytes(StandardCharsets.UTF_8))).isEmpty();
        assertThat(TypeProbe.lie(extension, ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16LE))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"png,true", "jpg,true", "gif,true", "wav,true", "mp4,true", "flac,true", "html,false", "pdf,false"})
    void mediaIsKnownByItsBeginning(String extension, boolean media) {
        Map<String, byte[]> byExtension = new LinkedHashMap<>();
        contents().forEach(content -> content.extensions.forEach(one -> byExtension.put(one, content.head)));
        assertThat(TypeProbe.isMedia(head(byExtension.get(extension)))).isEqualTo(media);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void ofAlmostNoBytesNothingCanBeSaid(int length) {
        assertThat(TypeProbe.lie("png", new byte[length])).isEmpty();
    }
}
