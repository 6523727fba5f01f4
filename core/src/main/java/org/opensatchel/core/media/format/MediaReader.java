package org.opensatchel.core.media.format;

import java.io.IOException;
import java.util.Optional;
import java.util.Set;

/** Reads the facts of one container. */
interface MediaReader {

    /** The container's standard name. */
    String container();

    /** How names of its files end, in small letters. */
    Set<String> extensions();

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
}
