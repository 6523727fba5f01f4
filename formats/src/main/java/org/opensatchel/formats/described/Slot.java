package org.opensatchel.formats.described;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * A place in the documents of one kind where values of one meaning stand.
 *
 * @param id what other slots call it
 * @param when which values beside it must be one of which texts: {@code @kind}, {@code ../type}; all of them hold
 * @param base64 whether the values are wrapped in base64 (RFC 4648, section 4)
 * @param escapes whether a backslash makes the next sign another, or itself
 * @param of the slot it belongs to: the link that this is another form of, or the name that this is the folder of
 * @param within how many levels from the top the two share; the one belongs to the other within the same
 * @param starts where relative links of it start from
 * @param prefixes what may stand before a path, and where it starts from then
 * @param numbers how the number of a numbered set is written here: as {@code @@@}
 * @param nothing words that stand there instead of a path and mean none
 * @param empty whether the example has empty ones
 * @param always whether every example document has it
 */
public record Slot(String id, Where where, Role role, SortedMap<String, SortedSet<String>> when, boolean base64, boolean escapes,
        Writing writing, boolean backslashes, Optional<String> of, int within, Start starts, List<Prefix> prefixes,
        Optional<String> numbers, SortedSet<String> nothing, boolean empty, boolean always, Evidence evidence) {

    public Slot {
        prefixes = List.copyOf(prefixes);
    }

    /** What its values are. */
    public enum Role {
        /** Each names a file. */
        LINK,
        /** Each names the file that another slot's value names, in another form. */
        SAME,
        /** Each is the folder of a name that stands in another slot. */
        FOLDER,
        /** A folder that links of other slots start from. */
        BASE,
        /** Where the document, or its project, was saved. */
        SAVED,
        /** Looks like paths and is no link: caches, a program's own files, names for people. */
        ALONE
    }

    /** How its values are written. */
    public enum Writing {
        /** As they are. */
        PLAIN,
        /** As URI references (RFC 3986). */
        URI,
        /** The example does not tell: no value of it has a sign that would be encoded. */
        EITHER
    }

    /** Where a relative path starts from. */
    public sealed interface Start {
        /** The document's folder. */
        record Document() implements Start {}

        /** The project's root. */
        record Root() implements Start {}

        /** A folder of the project, by its path. */
        record Folder(String path) implements Start {}

        /** The folder that another slot's value names. */
        record Base(String slot, int within) implements Start {}

        /** Anywhere: a name alone is looked for in the whole project. */
        record Anywhere() implements Start {}
    }

    /** A beginning that means where the rest starts from. */
    public record Prefix(String text, Start starts) {}

    /**
     * What the example says of it.
     *
     * @param values how many values it has there, empty ones left out
     * @param leading how many of them lead to files of the example
     * @param same how many of them name the file that the slot it belongs to names
     */
    public record Evidence(int values, int leading, int same) {
        public static final Evidence NONE = new Evidence(0, 0, 0);
    }

    public static Slot of(String id, Where where, Role role) {
        return new Slot(id, where, role, new TreeMap<>(), false, false, Writing.PLAIN, false, Optional.empty(), 0, new Start.Document(),
                List.of(), Optional.empty(), new TreeSet<>(), false, false, Evidence.NONE);
    }

    /** Whether values beside it are as they have to be. */
    boolean takes(Level level) {
        for (Map.Entry<String, SortedSet<String>> condition : when.entrySet()) {
            if (!condition.getValue().contains(level.beside(condition.getKey()))) {
                return false;
            }
        }
        return true;
    }
}
