package org.opensatchel.core.kit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.opensatchel.formats.kind.TypeNames;

/**
 * One planned folder.
 *
 * @param path its path, or a pattern for it
 * @param purpose what it is for
 * @param accepts extensions in lower case without their dots; empty for anything
 * @param atLeast how many files it holds below it at least
 * @param sealed nothing in it may be renamed, moved or changed after it arrived
 * @param managed a program's own folder, neither judged inside nor to be deleted
 * @param repeats for a pattern: how many folders there are at least
 * @param media what pictures, films and sounds in it have to be
 * @param autosave whether a program keeps its automatic saves in it
 * @param rebuildable whether a program makes anew what is in it, like a cache
 */
public record FolderRule(FolderPattern path, String purpose, Need need, List<String> accepts, int atLeast, boolean sealed, boolean managed,
        OptionalInt repeats, Optional<MediaRule> media, boolean autosave, boolean rebuildable) {

    public FolderRule {
        accepts = List.copyOf(accepts);
    }

    /** One that asks for no more than this. */
    public static FolderRule plain(FolderPattern path, Need need, List<String> accepts, boolean managed, OptionalInt repeats) {
        return new FolderRule(path, "", need, accepts, 0, false, managed, repeats, Optional.empty(), false, false);
    }

    /** The same for other types of files. */
    public FolderRule accepting(List<String> types) {
        return new FolderRule(path, purpose, need, types, atLeast, sealed, managed, repeats, media, autosave, rebuildable);
    }

    public boolean takes(String extension) {
        return accepts.isEmpty() || asksFor(extension);
    }

    /** Whether a type is one of those it names. */
    public boolean asksFor(String extension) {
        return TypeNames.contains(accepts, extension);
    }
}
