package org.opensatchel.formats.binary;

import java.io.IOException;

/** A media file's bytes as readers ask for them: at a place, a few at a time, of a file however long. */
public interface MediaBytes {

    /** How long the whole file is, in bytes, whether all of it is at hand or not. */
    long length();

    /**
     * Reads from a place.
     *
     * @return as many bytes as are asked for; fewer only where the file ends
     * @throws BytesNotAtHand where the file has bytes that cannot be had, as of a file of which only parts were sent
     */
    byte[] read(long at, int count) throws IOException;
}
