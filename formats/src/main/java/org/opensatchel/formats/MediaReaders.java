package org.opensatchel.formats;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.BytesNotAtHand;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.MediaBytes;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Samples;

/** Reads the facts of any container, each recognised by how a file begins. */
public final class MediaReaders {

    private static final List<Format> ALL = Formats.all().stream().filter(format -> format.facts().isPresent()).toList();

    private MediaReaders() {
    }

    /** Whether facts may be read of a file by how its name ends and how it begins: what only looks like a container by chance is none. */
    public static boolean mayBe(String extension, byte[] head) {
        return of(extension).stream().anyMatch(reader -> begins(reader, head));
    }

    /** How names of the pictures, films and sounds end whose facts are read, in order. */
    public static List<String> extensions() {
        return ALL.stream().filter(format -> format.kind().isMedia()).flatMap(format -> format.endings().stream()).sorted().toList();
    }

    private static List<MediaReader> of(String extension) {
        return ALL.stream().filter(format -> format.hasEnding(extension)).map(format -> format.facts().orElseThrow()).toList();
    }

    private static boolean begins(MediaReader reader, byte[] head) {
        try {
            return reader.recognises(new Window(new Beginning(head)));
        } catch (IOException further) {
            // What stands behind a long note, or is too short: the whole file will tell.
            return further instanceof BytesNotAtHand;
        }
    }

    /** A file of which only the beginning is known. */
    private record Beginning(byte[] head) implements MediaBytes {
        @Override
        public long length() {
            return Long.MAX_VALUE >> 1;
        }

        @Override
        public byte[] read(long at, int count) throws BytesNotAtHand {
            if (at >= head.length) {
                throw new BytesNotAtHand(at);
            }
            return Arrays.copyOfRange(head, (int) at, (int) Math.min(head.length, at + count));
        }
    }

    /**
     * What a file says of itself; empty where it is not of the container that its name says.
     *
     * @throws BytesNotAtHand where a part is missing that has to be read
     */
    public static Optional<MediaFacts> read(String extension, MediaBytes bytes) throws IOException {
        return MediaReader.read(of(extension), bytes);
    }

    /**
     * Where a file's samples lie; empty where they are coded, or nobody says.
     *
     * @throws BytesNotAtHand where a part is missing that has to be read
     */
    public static Optional<Samples> samples(String extension, MediaBytes bytes) throws IOException {
        Window file = new Window(bytes);
        for (MediaReader reader : of(extension)) {
            if (MediaReader.begins(reader, file)) {
                try {
                    return reader.samples(file);
                } catch (CutOff within) {
                    return Optional.empty();
                }
            }
        }
        return Optional.empty();
    }

    /** What a file says of itself whatever it is called; empty where it is none of these. */
    public static Optional<MediaFacts> read(MediaBytes bytes) throws IOException {
        return MediaReader.read(ALL.stream().map(format -> format.facts().orElseThrow()).toList(), bytes);
    }
}
