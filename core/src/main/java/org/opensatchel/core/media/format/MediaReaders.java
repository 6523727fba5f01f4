package org.opensatchel.core.media.format;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.core.media.format.MediaFacts.End;

/** All containers whose facts are read, each recognised by how a file begins. */
public final class MediaReaders {

    private static final List<MediaReader> OTHERS = List.of(new FontReader(), new WoffReader(), new Woff2Reader(), new GlbReader(),
            new WebVttReader(), new SubRipReader(), new GltfReader(), new ObjReader());
    /** Pictures, films and sounds; that of which two bytes may be the beginning by chance is the last. */
    private static final List<MediaReader> SHOWN = List.of(new PngReader(), new JpegReader(), new GifReader(), new BmpReader(),
            new WebpReader(), new TiffReader(), new WavReader(), new AiffReader(), new FlacReader(), new OggReader(), new Mp4Reader(),
            new MatroskaReader(), new AviReader(), new Mp3Reader());
    static final List<MediaReader> ALL = Stream.concat(OTHERS.stream(), SHOWN.stream()).toList();

    private MediaReaders() {
    }

    /** Whether facts may be read of a file by how its name ends and how it begins: what only looks like a container by chance is none. */
    public static boolean mayBe(String extension, byte[] head) {
        return ALL.stream().anyMatch(reader -> reader.extensions().contains(extension) && begins(reader, head));
    }

    /** How names of the pictures, films and sounds end whose facts are read, in order. */
    public static List<String> extensions() {
        return SHOWN.stream().flatMap(reader -> reader.extensions().stream()).distinct().sorted().toList();
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
        return read(ALL.stream().filter(reader -> reader.extensions().contains(extension)).toList(), bytes);
    }

    /**
     * Where a file's samples lie; empty where they are coded, or nobody says.
     *
     * @throws BytesNotAtHand where a part is missing that has to be read
     */
    public static Optional<Samples> samples(String extension, MediaBytes bytes) throws IOException {
        Window file = new Window(bytes);
        for (MediaReader reader : ALL) {
            if (reader.extensions().contains(extension) && recognises(reader, file)) {
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
    static Optional<MediaFacts> read(MediaBytes bytes) throws IOException {
        return read(ALL, bytes);
    }

    private static Optional<MediaFacts> read(List<MediaReader> readers, MediaBytes bytes) throws IOException {
        Window file = new Window(bytes);
        for (MediaReader reader : readers) {
            if (recognises(reader, file)) {
                try {
                    return Optional.of(reader.read(file));
                } catch (CutOff within) {
                    return Optional.of(MediaFacts.none(reader.container(), End.UNREAD));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean recognises(MediaReader reader, Window file) throws IOException {
        try {
            return reader.recognises(file);
        } catch (CutOff tooShort) {
            return false;
        }
    }
}
