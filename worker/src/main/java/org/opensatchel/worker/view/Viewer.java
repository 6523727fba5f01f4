package org.opensatchel.worker.view;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.formats.text.Passage;
import org.opensatchel.worker.view.FileView.Kind;
import org.opensatchel.worker.view.FileView.Wave;

/** Makes what is shown of a file: texts as lines, pictures drawn anew and small, sounds as a line of peaks. Of nothing more is read than is shown. */
public final class Viewer {

    private static final int MOST_TEXT = 8 << 20;
    private static final int MOST_PICTURE = 64 << 20;
    private static final int MOST_SOUND = 256 << 20;
    private static final int BUCKETS = 600;
    private static final int HEAD = 4_096;
    private static final double SILENCE = -90;

    private final ProjectSource source;

    public Viewer(ProjectSource source) {
        this.source = source;
    }

    /**
     * A file as it is shown.
     *
     * @param at the place as the report writes it
     * @param text what stands there
     */
    public FileView view(SourceEntry entry, String at, String text) throws IOException {
        try {
            byte[] head = head(entry);
            if (isPicture(head)) {
                return new FileView(Kind.PICTURE, entry.bytes(), Optional.empty(), false, Optional.empty(), false);
            }
            Optional<Wave> wave = entry.bytes() <= MOST_SOUND && isSound(head) ? wave(entry) : Optional.empty();
            if (wave.isPresent()) {
                return new FileView(Kind.SOUND, entry.bytes(), Optional.empty(), false, wave, false);
            }
            return isText(head) ? text(entry, head, at, text) : FileView.none(entry.bytes());
        } catch (ContentUnavailable damaged) {
            return FileView.none(entry.bytes());
        }
    }

    private byte[] head(SourceEntry entry) throws IOException {
        try (InputStream content = source.open(entry)) {
            return content.readNBytes(HEAD);
        }
    }

    private FileView text(SourceEntry entry, byte[] head, String at, String text) throws IOException {
        try (InputStream content = source.open(entry)) {
            byte[] read = content.readNBytes(MOST_TEXT);
            String begins = new String(head, StandardCharsets.ISO_8859_1).toLowerCase(Locale.ROOT);
            boolean active = begins.contains("<html") || begins.contains("<svg") || begins.contains("<!doctype html")
                    || begins.contains("<script");
            return new FileView(Kind.TEXT, entry.bytes(), Optional.of(Passage.of(read, at, text)), active, Optional.empty(),
                    entry.bytes() > MOST_TEXT);
        }
    }

    /**
     * A picture drawn anew, as PNG; empty for what is no picture, or too large to look at.
     *
     * @param largest how long its longer side becomes at most, in pixels
     */
    public Optional<byte[]> picture(SourceEntry entry, int largest) throws IOException {
        try {
            if (entry.bytes() > MOST_PICTURE || !isPicture(head(entry))) {
                return Optional.empty();
            }
            try (InputStream content = source.open(entry)) {
                return SmallPicture.drawn(content.readNBytes(MOST_PICTURE), largest);
            }
        } catch (ContentUnavailable damaged) {
            return Optional.empty();
        }
    }

    private Optional<Wave> wave(SourceEntry entry) throws IOException {
        try (InputStream content = source.open(entry);
                AudioInputStream sound = AudioSystem.getAudioInputStream(new BufferedInputStream(content))) {
            AudioFormat format = sound.getFormat();
            boolean plain = format.getEncoding() == AudioFormat.Encoding.PCM_SIGNED && format.getSampleSizeInBits() % 8 == 0
                    && format.getSampleSizeInBits() <= 32 && format.getChannels() >= 1 && format.getChannels() <= 64
                    && format.getFrameSize() > 0;
            long frames = plain ? entry.bytes() / format.getFrameSize() : 0;
            return frames == 0 || format.getFrameRate() <= 0 ? Optional.empty() : Optional.of(measured(sound, format, frames));
        } catch (UnsupportedAudioFileException | IllegalArgumentException other) {
            return Optional.empty();
        }
    }

    private static Wave measured(AudioInputStream sound, AudioFormat format, long frames) throws IOException {
        double[] peaks = new double[BUCKETS];
        int frame = format.getFrameSize();
        int bytes = format.getSampleSizeInBits() / 8;
        double full = Math.pow(2, format.getSampleSizeInBits() - 1.0);
        byte[] block = new byte[frame * 8_192];
        long at = 0;
        for (int read = sound.readNBytes(block, 0, block.length); read >= frame; read = sound.readNBytes(block, 0, block.length)) {
            for (int from = 0; from + frame <= read; from += frame, at++) {
                int bucket = (int) Math.min(BUCKETS - 1, at * BUCKETS / frames);
                for (int sample = from; sample < from + frame; sample += bytes) {
                    peaks[bucket] = Math.max(peaks[bucket], Math.abs(sample(block, sample, bytes, format.isBigEndian())) / full);
                }
            }
        }
        double highest = IntStream.range(0, BUCKETS).mapToDouble(i -> peaks[i]).max().orElse(0);
        double db = 20 * Math.log10(Math.max(highest, 1e-9));
        return new Wave(IntStream.range(0, BUCKETS).mapToObj(i -> peaks[i]).toList(), db < SILENCE ? Optional.empty() : Optional.of(db),
                at / format.getFrameRate(), format.getChannels(), Math.round(format.getSampleRate()));
    }

    private static double sample(byte[] block, int from, int bytes, boolean bigEndian) {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            int at = bigEndian ? from + i : from + bytes - 1 - i;
            value = value << 8 | block[at] & 0xFF;
        }
        int shift = 64 - bytes * 8;
        return value << shift >> shift;
    }

    private static boolean isPicture(byte[] head) {
        return starts(head, 0x89, 'P', 'N', 'G') || starts(head, 0xFF, 0xD8, 0xFF) || starts(head, 'G', 'I', 'F', '8')
                || starts(head, 'B', 'M');
    }

    private static boolean isSound(byte[] head) {
        return starts(head, 'R', 'I', 'F', 'F') || starts(head, 'F', 'O', 'R', 'M');
    }

    private static boolean starts(byte[] head, int... bytes) {
        return head.length >= bytes.length && IntStream.range(0, bytes.length).allMatch(i -> (head[i] & 0xFF) == bytes[i]);
    }

    /** Texts have no zero bytes, but for those in two or four bytes a letter, which say so at their beginning. */
    private static boolean isText(byte[] head) {
        boolean marked = starts(head, 0xFF, 0xFE) || starts(head, 0xFE, 0xFF);
        return marked || IntStream.range(0, head.length).noneMatch(i -> head[i] == 0);
    }
}
