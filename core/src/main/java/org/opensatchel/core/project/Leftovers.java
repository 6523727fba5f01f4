package org.opensatchel.core.project;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Files and folders that systems and programs leave behind and nobody made. */
public final class Leftovers {

    private static final Set<String> FOLDERS = Set.of("__macosx", ".spotlight-v100", ".trashes", ".fseventsd", ".temporaryitems", "$recycle.bin",
            "system volume information", ".appledouble", "@eadir", "lost+found", ".documentrevisions-v100");
    private static final Set<String> FILES = Set.of(".ds_store", "thumbs.db", "ehthumbs.db", "desktop.ini", ".directory", ".localized", ".apdisk", "icon\r",
            ".volumeicon.icns");

    /** How a leftover's name may begin; most names are let go at their first letter. */
    private static final String BEGINNINGS = ".~_$@sSlLtTeEdDiI";

    private Leftovers() {
    }

    /** The topmost part of a path that is a leftover, empty when none is. */
    public static Optional<String> in(String path) {
        for (int from = 0; from <= path.length();) {
            int slash = path.indexOf('/', from);
            int end = slash < 0 ? path.length() : slash;
            if (from < end && BEGINNINGS.indexOf(path.charAt(from)) >= 0) {
                String name = path.substring(from, end).toLowerCase(Locale.ROOT);
                if (FOLDERS.contains(name) || (slash < 0 && isFile(name))) {
                    return Optional.of(path.substring(0, end));
                }
            }
            from = end + 1;
        }
        return Optional.empty();
    }

    private static boolean isFile(String name) {
        boolean lock = (name.startsWith(".~lock.") && name.endsWith("#")) || name.startsWith("~$");
        return FILES.contains(name) || name.startsWith("._") || lock || name.startsWith(".fuse_hidden") || name.startsWith(".nfs0");
    }
}
