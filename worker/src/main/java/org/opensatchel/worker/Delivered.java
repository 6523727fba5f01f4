package org.opensatchel.worker;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/**
 * One person's work among many people's.
 *
 * @param name what the course system called it
 * @param bareName the name without what says that it is an archive, and where it lies
 * @param bytes how long it is, as it lies there
 * @param marker whom the kit's marker inside names
 * @param fault why it cannot be taken
 */
public record Delivered(String name, String bareName, long bytes, Map<RosterField, String> marker, Optional<Fault> fault) {

    /** Why one was not taken. */
    public enum Fault {
        /** It is not there any more. */
        GONE,
        /** It changed while it was copied. */
        CHANGED,
        /** It, or something in it, cannot be read. */
        UNREADABLE,
        /** It is longer than one may be. */
        TOO_LARGE,
        /** There is no room to write it. */
        NO_ROOM
    }

    /**
     * All that were found.
     *
     * @param readable whether there was anything to be opened
     * @param more how many more there are than are told of
     */
    public record All(boolean readable, List<Delivered> some, int more) {}

    /**
     * What became of one that was to be written.
     *
     * @param fileName what its archive is called
     * @param fault why there is none
     */
    public record Single(String fileName, Optional<Fault> fault) {}

    /** Whom the marker names. */
    public RosterFields fields() {
        return WorkOrder.fields(marker);
    }
}
