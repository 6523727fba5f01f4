package org.opensatchel.formats.described.learn;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.ProjectPath;

/**
 * A project that is known to be sound.
 *
 * @param rootName its folder's name; empty where it has none
 * @param files all its files
 * @param location where it lay when it was saved; empty where that is found by agreement
 * @param documents what may be learned from, in the order of the paths
 */
public record Example(Optional<String> rootName, Set<ProjectPath> files, Optional<LinkAddress> location, List<Document> documents) {

    /** A document of it, whole. */
    public record Document(ProjectPath path, byte[] bytes) {}

    public Example {
        files = Set.copyOf(files);
        documents = List.copyOf(documents);
    }
}
