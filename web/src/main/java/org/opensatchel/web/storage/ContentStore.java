package org.opensatchel.web.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Collection;
import java.util.Set;
import java.util.function.BooleanSupplier;

/** Files kept by their content: the same bytes are stored once, under their SHA-256. */
public interface ContentStore {

    /** What was stored. */
    record Stored(String sha256, long bytes) {}

    /** A stream that turned out longer than allowed; nothing of it is kept. */
    final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge() {
            super("longer than allowed");
        }
    }

    /** A stream that ended before all of it had come, or held nothing; nothing of it is kept. */
    final class Incomplete extends IOException {
        private static final long serialVersionUID = 1L;

        private final boolean empty;

        Incomplete(boolean empty) {
            super(empty ? "empty" : "not all of it came");
            this.empty = empty;
        }

        public boolean isEmpty() {
            return empty;
        }
    }

    /**
     * Stores a stream as it arrives; what is answered is on the disk.
     *
     * @throws TooLarge when it is longer than allowed
     * @throws NoRoom when it cannot be written
     */
    default Stored store(InputStream content, long mostBytes) throws IOException {
        return store(content, mostBytes, 0);
    }

    /**
     * The same for a stream that should have a certain length.
     *
     * @param leastBytes less than this is refused
     * @throws Incomplete when less came
     */
    Stored store(InputStream content, long mostBytes, long leastBytes) throws IOException;

    /**
     * Takes a finished file of this machine as a content; the file is gone then. That it is there is sure after {@link #settle}.
     *
     * @param sha256 what its content hashes to, which whoever gives it has seen to
     * @throws NoRoom when it cannot be put into its place
     */
    void adopt(Path file, String sha256) throws IOException;

    /**
     * Makes sure that what was adopted stays, whatever happens to the machine.
     *
     * @throws NoRoom when that is not so
     */
    void settle() throws IOException;

    /** Whether a content is here, with a length. */
    boolean has(String sha256, long bytes);

    /** How many bytes can be stored now, with a reserve left alone. */
    long room();

    /** Whether something can be written and read again. */
    boolean isSound();

    /** Knows whose contents are. */
    interface Owners {

        /** Those of the contents whose hashes begin with two digits that somebody has. */
        Set<String> owned(String beginning);

        /**
         * Does something with a content while nobody comes to have it; not done when somebody does already.
         *
         * @return whether it was done
         */
        boolean whileNobodyHas(String sha256, BooleanSupplier doing);
    }

    /** So many parts the store has. */
    int PARTS = 256;

    /** Removes those of some contents that nobody owns and that were stored before a certain time; returns how many. Others go on storing meanwhile, also other servers. */
    int remove(Collection<String> hashes, Owners owners, Instant before);

    /**
     * The same for all contents of a part of the store.
     *
     * @param part from 0
     */
    int sweep(int part, Owners owners, Instant before) throws IOException;

    /** Removes what a crash left half written; what another server is writing now is left alone. */
    void removeAbandoned() throws IOException;

    InputStream open(String sha256) throws IOException;

    /**
     * A part of a content.
     *
     * @param from where it begins, in bytes
     * @param length how long it is; less comes where the content ends before
     */
    InputStream open(String sha256, long from, long length) throws IOException;
}
