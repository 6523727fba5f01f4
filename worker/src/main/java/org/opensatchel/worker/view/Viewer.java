package org.opensatchel.worker.view;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.binary.MediaBytes;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.SoundLook;
import org.opensatchel.formats.text.Passage;
import org.opensatchel.worker.view.FileView.Kind;
import org.opensatchel.worker.view.FileView.Wave;

/** Makes what is shown of a file: texts as lines, pictures drawn anew and small, sounds as a line of peaks. Of nothing more is read than is shown. */
public final class Viewer {

    private static final int MOST_TEXT = 8 << 20;
    private static final int MOST_PICTURE = 64 << 20;
    private static final int MOST_SOUND = 256 << 20;
    private static final int COLUMNS = 600;
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
            Optional<Wave> wave = entry.bytes() <= MOST_SOUND && Formats.kind(extension(entry)) == FileKind.SOUND ? wave(entry)
                    : Optional.empty();
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

    /** Measured as the check does it. Where samples lie may stand at the end of a file: it is laid down for as long as that takes. */
    private Optional<Wave> wave(SourceEntry entry) throws IOException {
        Path copy = Files.createTempFile("satchel-sound", "");
        try {
            try (InputStream content = source.open(entry)) {
                Files.copy(content, copy, StandardCopyOption.REPLACE_EXISTING);
            }
            try (FileChannel file = FileChannel.open(copy)) {
                String extension = extension(entry);
                MediaBytes bytes = new Lying(file, file.size());
                Optional<MediaFacts> media = MediaReaders.read(extension, bytes).filter(facts -> !facts.sounds().isEmpty());
                return media.isEmpty() ? Optional.empty()
                        : wave(copy, media.get(), MediaReaders.samples(extension, bytes));
            }
        } finally {
            Files.delete(copy);
        }
    }

    private static Optional<Wave> wave(Path file, MediaFacts media, Optional<Samples> samples) throws IOException {
        MediaFacts.Sound sound = media.sounds().get(0);
        try (InputStream content = Files.newInputStream(file)) {
            return SoundLook.measure(content, media, samples, Long.MAX_VALUE, COLUMNS, false)
                    .map(levels -> new Wave(levels.wave().stream().map(percent -> percent / 100.0).toList(),
                            levels.peakDb() < SILENCE ? Optional.empty() : Optional.of(levels.peakDb()),
                            media.seconds().map(Rational::value).orElse(0.0), sound.channels(), sound.rate()));
        }
    }

    private record Lying(FileChannel file, long length) implements MediaBytes {
        @Override
        public byte[] read(long at, int count) throws IOException {
            ByteBuffer into = ByteBuffer.allocate((int) Math.max(0, Math.min(count, length - at)));
            while (into.hasRemaining() && file.read(into, at + into.position()) > 0) {
                // As much as there is.
            }
            return Arrays.copyOf(into.array(), into.position());
        }
    }

    private static boolean isPicture(byte[] head) {
        return starts(head, 0x89, 'P', 'N', 'G') || starts(head, 0xFF, 0xD8, 0xFF) || starts(head, 'G', 'I', 'F', '8')
                || starts(head, 'B', 'M');
    }

    private static String extension(SourceEntry entry) {
        return entry.path().substring(entry.path().lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
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
