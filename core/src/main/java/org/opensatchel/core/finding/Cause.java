package org.opensatchel.core.finding;

import org.opensatchel.base.path.ProjectPath;

/**
 * What a finding follows from, or explains. A finding that follows from another's cause stands among that one's
 * consequences: the same cause is told once.
 *
 * @param kind which kind of thing went wrong
 * @param path the planned path it concerns
 */
public record Cause(Kind kind, ProjectPath path) {

    /** The kinds of causes that swallow what they lead to. */
    public enum Kind {
        FOLDER, DOCUMENT, FILE, STARTER, SHORTCUT, NAME, CONTENT, ROOT, OLDER, NAMES, SIZE, CLIPPING
    }
}
