package org.opensatchel.formats.media;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.CutOff;
import org.opensatchel.formats.binary.MediaBytes;
import org.opensatchel.formats.binary.Window;

/** Reads the facts of one container. */
public interface MediaReader {

    /** The container's standard name. */
    String container();

    /** Whether a file begins as the container does; {@code head} are its first bytes, at least twelve where it has so many. */
    boolean recognises(Window head) throws IOException;

    /**
     * Reads what the structure says, in bounded time.
     *
     * @throws CutOff where the file ends within what has to be there before anything can be said: it may be no such file at all
     */
    MediaFacts read(Window file) throws IOException;

    /** Where the samples of its first track of sound lie, where they are stored as they are. */
    default Optional<Samples> samples(Window file) throws IOException {
        return Optional.empty();
    }

    /** What the first of some readers says that knows a file by how it begins; empty where none does. */
    static Optional<MediaFacts> read(List<MediaReader> readers, MediaBytes bytes) throws IOException {
        Window file = new Window(bytes);
        for (MediaReader reader : readers) {
            if (begins(reader, file)) {
                try {
                    return Optional.of(reader.read(file));
                } catch (CutOff within) {
                    return Optional.of(MediaFacts.none(reader.container(), MediaFacts.End.UNREAD));
                }
            }
        }
        return Optional.empty();
    }

    /** Whether a file begins as the container does; one that is too short does not. */
    static boolean begins(MediaReader reader, Window file) throws IOException {
        try {
            return reader.recognises(file);
        } catch (CutOff tooShort) {
            return false;
        }
    }
}
