package org.opensatchel.core.project;

import java.util.Set;

/** The folders that the paths of a listing imply. */
final class SourceTops {

    private SourceTops() {
    }

    /** Adds every folder a path lies in. */
    static void parents(String path, Set<String> into) {
        int slash = path.lastIndexOf('/');
        while (slash > 0 && into.add(path.substring(0, slash))) {
            slash = path.lastIndexOf('/', slash - 1);
        }
    }
}
