package org.opensatchel.core.project;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Where a project is read from: a folder, an archive or a listing. Nothing is ever written to it. */
public interface ProjectSource extends Closeable {

    /** Lists what is there. */
    Intake list(ReadLimits limits) throws IOException;

    /**
     * A file's content, to be read to its end and closed.
     *
     * @throws ContentUnavailable when there is no content to be had, or it proves damaged while it is read
     */
    InputStream open(SourceEntry entry) throws IOException;

    /**
     * Files of folders that lie beside the root and are no part of what was listed, their paths beginning {@code ../NAME/}.
     *
     * @param prefix the root's path from the source's top
     * @param names the folders asked for
     */
    default List<SourceEntry> besideRoot(String prefix, Set<String> names, ReadLimits limits) throws IOException {
        return List.of();
    }

    /** Where the content of a file that was listed is found, in words that can be kept; empty where this source has none. */
    default Optional<String> handle(SourceEntry entry) {
        return Optional.empty();
    }

    /**
     * A file whose handle was kept, to be opened without anything being listed.
     *
     * @throws ContentUnavailable when the handle is none of this source's
     */
    default SourceEntry entry(FileIndex.Line file) throws ContentUnavailable {
        throw new ContentUnavailable(PackageWording.ELSEWHERE.say());
    }

    /** Whether a file's content can be had at all; a listing has that of its documents only. */
    default boolean hasContent(SourceEntry entry) {
        return true;
    }

    /** Parts of a file whose content cannot be had as a whole; of most sources there are none. */
    default Optional<FileParts> parts(SourceEntry entry) throws IOException {
        return Optional.empty();
    }

    /** How names were read that do not say in which code page they are written; known once the source is listed. */
    default NameChoice names() {
        return NameChoice.CLEAR;
    }

    /**
     * Chooses again how to read such names, now that it is known what documents link.
     *
     * @param linked the last names of what is linked, composed
     * @return whether names are read in another way from now on, so that the source has to be listed again
     */
    default boolean chooseNames(Set<String> linked) {
        return false;
    }
}
