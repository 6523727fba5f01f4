package org.opensatchel.core.project;

import org.opensatchel.base.path.ProjectPath;

/** A file of a project, or of a companion beside it (its path then begins with {@code ../NAME/}). */
public record ProjectFile(ProjectPath path, SourceEntry entry) {

    /** How long it is, as the source says. */
    public long bytes() {
        return entry.bytes();
    }

    public boolean isInCompanion() {
        return path.isBesideRoot();
    }
}
