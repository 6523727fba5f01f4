package org.opensatchel.worker.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.worker.view.FileView.Kind;
import org.opensatchel.worker.view.FileView.Wave;

/** What is shown of a file, from its content. */
class ViewerTest {

    private static final int RATE = 8_000;

    @TempDir
    private Path folder;

    private FileView view(String name, byte[] content) throws IOException {
        Files.write(folder.resolve(name), content);
        try (FolderSource source = new FolderSource(folder)) {
            SourceEntry entry = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing().files().stream()
                    .filter(one -> one.path().equals(name)).findFirst().orElseThrow();
            return new Viewer(source).view(entry, "", "");
        }
    }

    /** Samples of 16 bits, in one channel (RIFF/WAVE). */
    private static byte[] wav(int samples, IntUnaryOperator sample) {
        ByteBuffer out = ByteBuffer.allocate(44 + 2 * samples).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + 2 * samples).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
        out.putInt(16).putShort((short) 1).putShort((short) 1).putInt(RATE).putInt(2 * RATE).putShort((short) 2).putShort((short) 16);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(2 * samples);
        IntStream.range(0, samples).forEach(i -> out.putShort((short) sample.applyAsInt(i)));
        return out.array();
    }

    @Test
    void aSoundIsALineOfPeaks() throws IOException {
        // Its second half is half as high as sixteen bits go.
        FileView view = view("bell.wav", wav(2 * RATE, i -> i < RATE ? 0 : i % 2 == 0 ? 16_384 : -16_384));
        assertThat(view.kind()).isEqualTo(Kind.SOUND);
        Wave wave = view.wave().orElseThrow();
        assertThat(wave.seconds()).isEqualTo(2);
        assertThat(wave.channels()).isEqualTo(1);
        assertThat(wave.rate()).isEqualTo(RATE);
        assertThat(wave.peakDb().orElseThrow()).isCloseTo(-6.02, within(0.01));
        assertThat(wave.peaks()).hasSize(600);
        assertThat(wave.peaks().subList(0, 299)).containsOnly(0.0);
        assertThat(wave.peaks().subList(301, 600)).containsOnly(0.5);
    }

    @Test
    void silenceHasNoPeak() throws IOException {
        assertThat(view("still.wav", wav(RATE, i -> 0)).wave().orElseThrow().peakDb()).isEmpty();
    }

    @Test
    void whatIsNoSoundInsideIsShownAsNone() throws IOException {
        assertThat(view("torn.wav", new byte[]{'R', 'I', 'F', 'F', 0, 1, 2, 3}).kind()).isEqualTo(Kind.NONE);
        assertThat(view("note.wav", "no sound at all".getBytes(StandardCharsets.UTF_8)).kind()).isEqualTo(Kind.TEXT);
    }
}
