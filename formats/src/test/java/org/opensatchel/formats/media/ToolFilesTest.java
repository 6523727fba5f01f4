package org.opensatchel.formats.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.MediaFacts.End;

/**
 * Files that general tools write, where they are installed (Debian's packages of the same names, or of those beside them): what we read of
 * them is what the tools were asked for. Where a tool is not there, or is built without a coder, its files are passed over, and that is
 * said.
 */
class ToolFilesTest {

    private static final String PICTURES = "-f lavfi -i testsrc=size=64x64:rate=25:duration=2 ";
    private static final String SOUND = "-f lavfi -i sine=frequency=440:sample_rate=48000:duration=2 ";
    private static final String WRITE = "ffmpeg -hide_banner -loglevel error -nostdin -y ";
    private static final double SPARE = 0.09;

    @TempDir
    private Path temp;

    /**
     * @param command what writes {@code OUT}; with {@code > OUT} what it says is the file
     * @param facts how {@link Sample#said} begins, without the length and how it ends
     * @param seconds how long it plays, 0 for a still
     * @param open whether the format, or a tool that did not know the length when it began, lets the end open
     */
    private record Made(String name, String command, String facts, double seconds, boolean open) {

        static Made of(String name, String command, String facts, double seconds) {
            return new Made(name, command, facts, seconds, false);
        }

        Made unended() {
            return new Made(name, command, facts, seconds, true);
        }

        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Made> files() {
        return Stream.of(films(), otherFilms(), sounds(), pictures(), tools()).flatMap(List::stream);
    }

    private static List<Made> films() {
        String h264 = "-c:v libx264 -pix_fmt yuv420p ";
        String film = "H.264 64x64, rate 25, frames 50";
        return List.of(Made.of("a.mp4", WRITE + PICTURES + SOUND + h264 + "-c:a aac OUT", "MP4, " + film + ", AAC 1 at 48000", 2),
                Made.of("front.mp4", WRITE + PICTURES + SOUND + h264 + "-c:a aac -ac 2 -movflags +faststart OUT",
                        "MP4, " + film + ", AAC 2 at 48000", 2),
                Made.of("parts.mp4", WRITE + PICTURES + SOUND + h264 + "-c:a aac -movflags frag_keyframe+empty_moov OUT",
                        "MP4, " + film + ", AAC 1 at 48000", 2),
                Made.of("piped.mp4", WRITE + PICTURES + h264 + "-movflags frag_keyframe+empty_moov -f mp4 - > OUT", "MP4, " + film, 2),
                Made.of("wide.mp4", WRITE + PICTURES + h264 + "-vf setsar=4/3 OUT", "MP4, H.264 64x64, pixels 4/3, rate 25, frames 50", 2),
                Made.of("ntsc.mp4", WRITE + PICTURES.replace("rate=25", "rate=30000/1001") + h264 + "OUT",
                        "MP4, H.264 64x64, rate 30000/1001, frames 60", 2.002),
                Made.of("varies.mp4", WRITE + PICTURES + h264 + "-vf select='not(mod(n,3))+eq(n,4)' -vsync vfr OUT",
                        "MP4, H.264 64x64, rate ", 1.96),
                Made.of("deep.mp4", WRITE + PICTURES + "-c:v libx265 -x265-params log-level=none -pix_fmt yuv420p10le -tag:v hvc1 OUT",
                        "MP4, H.265 64x64, rate 25, frames 50, bits 10", 2),
                Made.of("av1.mp4", WRITE + PICTURES + "-c:v libsvtav1 OUT", "MP4, AV1 64x64, rate 25, frames 50, bits 8", 2),
                Made.of("older.mp4", WRITE + PICTURES + "-c:v mpeg4 OUT", "MP4, MPEG-4 Visual 64x64, rate 25, frames 50", 2),
                Made.of("surround.m4a", WRITE + SOUND + "-ac 6 -c:a aac OUT", "MP4, AAC 6 at 48000", 2),
                Made.of("lossless.m4a", WRITE + SOUND + "-c:a alac OUT", "MP4, ALAC 1 at 48000", 2),
                Made.of("between.mov", WRITE + PICTURES + h264 + "-bf 2 OUT", "MOV, " + film, 2),
                Made.of("samples.mov", WRITE + PICTURES + SOUND + "-c:v mjpeg -c:a pcm_s24le OUT",
                        "MOV, Motion JPEG 64x64, rate 25, frames 50, PCM 1 at 48000, bits 24", 2),
                Made.of("alpha.mov", WRITE + PICTURES + "-c:v png -pix_fmt rgba OUT", "MOV, PNG 64x64, rate 25, frames 50, alpha", 2));
    }

    private static List<Made> otherFilms() {
        return List.of(
                Made.of("a.mkv", WRITE + PICTURES + SOUND + "-c:v libx264 -c:a flac OUT", "Matroska, H.264 64x64, rate 25, FLAC 1 at 48000",
                        2),
                Made.of("b.mkv", WRITE + PICTURES + SOUND + "-c:v ffv1 -c:a pcm_s16le OUT",
                        "Matroska, FFV1 64x64, rate 25, PCM 1 at 48000, bits 16", 2),
                Made.of("piped.mkv", WRITE + PICTURES + "-c:v ffv1 -f matroska - > OUT", "Matroska, FFV1 64x64, rate 25", 0).unended(),
                Made.of("a.webm", WRITE + PICTURES + SOUND + "-c:v libvpx-vp9 -c:a libopus OUT",
                        "WebM, VP9 64x64, rate 25, Opus 1 at 48000", 2),
                Made.of("b.webm", WRITE + PICTURES + SOUND + "-c:v libvpx -c:a libvorbis OUT",
                        "WebM, VP8 64x64, rate 25, Vorbis 1 at 48000", 2),
                Made.of("alpha.webm", WRITE + PICTURES + "-c:v libvpx-vp9 -pix_fmt yuva420p OUT", "WebM, VP9 64x64, rate 25, alpha", 2),
                Made.of("a.avi", WRITE + PICTURES + SOUND + "-c:v mjpeg -c:a pcm_s16le OUT",
                        "AVI, Motion JPEG 64x64, rate 25, frames 50, bits 8, PCM 1 at 48000, bits 16", 2),
                Made.of("raw.avi", WRITE + PICTURES + "-c:v rawvideo -pix_fmt bgr24 OUT", "AVI, uncompressed 64x64, rate 25, frames 50", 2),
                Made.of("a.ogv", WRITE + PICTURES + SOUND + "-c:v libtheora -c:a libvorbis OUT",
                        "Ogg, Theora 64x64, rate 25, bits 8, Vorbis 1 at 48000", 2));
    }

    private static List<Made> sounds() {
        return List.of(Made.of("16.wav", WRITE + SOUND + "-ac 2 OUT", "WAVE, PCM 2 at 48000, bits 16", 2),
                Made.of("24.wav", WRITE + SOUND + "-c:a pcm_s24le -ac 6 OUT", "WAVE, PCM 6 at 48000, bits 24", 2),
                Made.of("float.wav", WRITE + SOUND + "-c:a pcm_f32le OUT", "WAVE, PCM float 1 at 48000, bits 32", 2),
                Made.of("large.wav", WRITE + SOUND + "-rf64 always OUT", "WAVE, PCM 1 at 48000, bits 16", 2),
                Made.of("noted.wav", WRITE + SOUND + "-write_bext 1 -metadata description=hi OUT", "WAVE, PCM 1 at 48000, bits 16", 2),
                Made.of("piped.wav", WRITE + SOUND + "-f wav - > OUT", "WAVE, PCM 1 at 48000, bits 16", 2).unended(),
                Made.of("a.aiff", WRITE + SOUND + "OUT", "AIFF, PCM 1 at 48000, bits 16", 2),
                Made.of("24.aif", WRITE + SOUND + "-c:a pcm_s24be OUT", "AIFF, PCM 1 at 48000, bits 24", 2),
                Made.of("a.flac", WRITE + SOUND + "OUT", "FLAC, FLAC 1 at 48000, bits 16", 2),
                Made.of("piped.flac", WRITE + SOUND + "-f flac - > OUT", "FLAC, FLAC 1 at 48000, bits 16", 0).unended(),
                Made.of("a.ogg", WRITE + SOUND + "-c:a libvorbis OUT", "Ogg, Vorbis 1 at 48000", 2),
                Made.of("a.opus", WRITE + SOUND + "-c:a libopus OUT", "Ogg, Opus 1 at 48000", 2),
                Made.of("flac.ogg", WRITE + SOUND + "-c:a flac OUT", "Ogg, FLAC 1 at 48000, bits 16", 2),
                Made.of("a.mp3", WRITE + SOUND + "-c:a libmp3lame -b:a 256k OUT", "MPEG audio, MPEG-1 Audio Layer III 1 at 48000", 2),
                Made.of("22.mp3", WRITE + SOUND + "-c:a libmp3lame -ar 22050 -b:a 160k OUT",
                        "MPEG audio, MPEG-2 Audio Layer III 1 at 22050",
                        2),
                Made.of("plain.mp3", WRITE + SOUND + "-c:a libmp3lame -write_xing 0 OUT", "MPEG audio, MPEG-1 Audio Layer III 1 at 48000",
                        2).unended(),
                Made.of("a.mp2", WRITE + SOUND + "-c:a mp2 OUT", "MPEG audio, MPEG-1 Audio Layer II 1 at 48000", 2).unended());
    }

    private static List<Made> pictures() {
        String one = "-f lavfi -i testsrc=size=64x36 -frames:v 1 ";
        return List.of(Made.of("a.png", WRITE + one + "OUT", "PNG, PNG 64x36, bits 8", 0),
                Made.of("alpha.png", WRITE + one + "-pix_fmt rgba OUT", "PNG, PNG 64x36, bits 8, alpha", 0),
                Made.of("deep.png", WRITE + one + "-pix_fmt rgb48be OUT", "PNG, PNG 64x36, bits 16", 0),
                Made.of("moving.png", WRITE + PICTURES + "-f apng OUT", "PNG, PNG 64x64, rate 25, frames 50, bits 8", 2),
                Made.of("a.jpg", WRITE + one + "OUT", "JPEG, JPEG 64x36, bits 8", 0),
                Made.of("a.gif", WRITE + one + "OUT", "GIF, GIF 64x36", 0),
                Made.of("moving.gif", WRITE + PICTURES + "OUT", "GIF, GIF 64x64, rate 25, frames 50", 2),
                Made.of("a.bmp", WRITE + one + "OUT", "BMP, BMP 64x36", 0),
                Made.of("a.tif", WRITE + one + "OUT", "TIFF, TIFF 64x36, bits 8", 0),
                Made.of("packed.tif", WRITE + one + "-compression_algo deflate OUT", "TIFF, TIFF 64x36, bits 8", 0),
                Made.of("a.webp", WRITE + one + "OUT", "WebP, VP8 64x36", 0),
                Made.of("lossless.webp", WRITE + one + "-lossless 1 OUT", "WebP, WebP lossless 64x36", 0),
                Made.of("moving.webp", WRITE + PICTURES + "-c:v libwebp_anim OUT", "WebP, WebP 64x64, rate 25, frames 50", 2));
    }

    private static List<Made> tools() {
        String tone = "sox -n -r 44100 -c 2 -b 24 IN.wav synth 2 sine 440 ; ";
        return List.of(Made.of("sox.wav", "sox -n -r 44100 -c 2 -b 24 OUT synth 2 sine 440", "WAVE, PCM 2 at 44100, bits 24", 2),
                Made.of("law.wav", "sox -n -r 8000 -e u-law OUT synth 2 sine 440", "WAVE, mu-law 1 at 8000", 2),
                Made.of("sox.aiff", "sox -n -r 44100 -b 16 OUT synth 2 sine 440", "AIFF, PCM 1 at 44100, bits 16", 2),
                Made.of("sox.flac", "sox -n -r 44100 -b 16 OUT synth 2 sine 440", "FLAC, FLAC 1 at 44100, bits 16", 2),
                Made.of("best.flac", tone + "flac -s -f -8 --padding=100 IN.wav -o OUT", "FLAC, FLAC 2 at 44100, bits 24", 2),
                Made.of("flac.oga", tone + "flac -s -f --ogg IN.wav -o OUT", "Ogg, FLAC 2 at 44100, bits 24", 2),
                Made.of("enc.ogg", tone + "oggenc -Q IN.wav -o OUT", "Ogg, Vorbis 2 at 44100", 2),
                Made.of("enc.opus", tone + "opusenc --quiet IN.wav OUT", "Ogg, Opus 2 at 48000", 2),
                Made.of("lame.mp3", tone + "lame --quiet IN.wav OUT", "MPEG audio, MPEG-1 Audio Layer III 2 at 44100", 2),
                Made.of("mean.mp3", tone + "lame --quiet --abr 120 -t IN.wav OUT", "MPEG audio, MPEG-1 Audio Layer III 2 at 44100", 2)
                        .unended(),
                Made.of("merged.mka", tone + "mkvmerge -q -o OUT IN.wav", "Matroska, PCM 2 at 44100, bits 24", 2));
    }

    @ParameterizedTest
    @MethodSource("files")
    void whatToolsWriteIsReadAsItWasAskedFor(Made made) throws IOException, InterruptedException {
        Path file = temp.resolve(made.name);
        for (String step : made.command.split(" ; ")) {
            run(step, file);
        }
        byte[] bytes = Files.readAllBytes(file);
        String ending = made.name.substring(made.name.lastIndexOf('.') + 1);
        Optional<MediaFacts> facts = MediaReaders.read(ending, Bytes.of(bytes));
        assertThat(facts.map(Sample::said).orElse("nothing")).startsWith(made.facts);
        double seconds = facts.flatMap(MediaFacts::seconds).map(Rational::value).orElse(0.0);
        assertThat(seconds).isBetween(made.seconds - SPARE, made.seconds + SPARE);
        assertThat(facts.get().end()).isEqualTo(made.open ? End.OPEN : End.WHOLE);
        assertThat(MediaReaders.read(ending, Bytes.of(Bytes.cut(bytes, bytes.length * 2 / 3))).map(MediaFacts::end))
                .isIn(made.open ? List.of(Optional.of(End.OPEN)) : List.of(Optional.of(End.CUT)));
    }

    @ParameterizedTest
    @CsvSource({
            "wide.mp4, '-c:v libx264 -pix_fmt yuv420p -color_primaries bt2020 -color_trc smpte2084 -colorspace bt2020nc', 'BT.2020, SMPTE ST 2084'",
            "wide.mov, '-c:v libx264 -pix_fmt yuv420p -color_primaries bt709 -color_trc bt709 -colorspace bt709', BT.709",
            "wide.mkv, '-c:v libx264 -pix_fmt yuv420p -color_primaries bt2020 -color_trc arib-std-b67 -colorspace bt2020nc', 'BT.2020, ARIB STD-B67'",
            "a.jpg, -frames:v 1, YCbCr", "grey.tif, -pix_fmt gray -frames:v 1, grey",
            "palette.png, -pix_fmt pal8 -frames:v 1, palette", "a.webp, -frames:v 1, YCbCr"})
    void howColoursAreWritten(String name, String how, String colour) throws IOException, InterruptedException {
        Path file = temp.resolve(name);
        run(WRITE + PICTURES + how + " OUT", file);
        Optional<MediaFacts> facts = MediaReaders.read(name.substring(name.lastIndexOf('.') + 1), Bytes.of(Files.readAllBytes(file)));
        assertThat(facts.map(Sample::colour)).contains(colour);
    }

    @ParameterizedTest
    @CsvSource({"a.avi, pcm_s16le", "a.avi, pcm_u8", "a.mkv, pcm_s16le", "a.mkv, pcm_s24le", "a.mkv, pcm_f32le", "a.mov, pcm_s16le",
            "a.mov, pcm_s24le"})
    void samplesBetweenPicturesAreThoseOfTheSoundAlone(String name, String codec) throws IOException, InterruptedException {
        Path film = temp.resolve(name);
        Path sound = temp.resolve("alone.wav");
        run(WRITE + PICTURES + SOUND + "-c:v mjpeg -c:a " + codec + " OUT", film);
        run(WRITE + SOUND + "-c:a " + codec + " OUT", sound);
        assertThat(heard(film)).isEqualTo(heard(sound)).hasSizeGreaterThan(90_000);
    }

    private static byte[] heard(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        String name = file.getFileName().toString();
        return StoredSamplesTest.heard(bytes,
                MediaReaders.samples(name.substring(name.lastIndexOf('.') + 1), Bytes.of(bytes)).orElseThrow());
    }

    private static void run(String step, Path file) throws IOException, InterruptedException {
        boolean said = step.endsWith(" > OUT");
        List<String> words = Arrays.stream(step.replace(" > OUT", "").trim().split(" +"))
                .map(word -> word.equals("OUT") ? file.toString() : word.replace("IN.wav", file.resolveSibling("tone.wav").toString()))
                .toList();
        String tool = words.get(0);
        boolean there = Arrays.stream(System.getenv("PATH").split(File.pathSeparator))
                .anyMatch(folder -> Files.isExecutable(Path.of(folder, tool)));
        assumeTrue(there, () -> passedOver(file, tool + " is not installed here"));
        ProcessBuilder process = new ProcessBuilder(words).redirectError(file.resolveSibling("errors").toFile());
        process.redirectOutput(said ? file.toFile() : file.resolveSibling("output").toFile());
        Process running = process.start();
        boolean done = running.waitFor(60, TimeUnit.SECONDS) && running.exitValue() == 0;
        running.destroyForcibly();
        // A build of it without a coder says so, and is no fault of ours.
        assumeTrue(done, () -> passedOver(file, tool + " could not write it"));
    }

    private static String passedOver(Path file, String why) {
        String told = "passed over: " + file.getFileName() + ", since " + why;
        System.out.println(told);
        return told;
    }
}
