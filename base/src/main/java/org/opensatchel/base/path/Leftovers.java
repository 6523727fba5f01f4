package org.opensatchel.base.path;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Files and folders that systems and programs leave behind and nobody made. */
public final class Leftovers {

    private static final Set<String> FOLDERS = Set.of("__macosx", ".spotlight-v100", ".trashes", ".fseventsd", ".temporaryitems",
            "$recycle.bin",
            "system volume information", ".appledouble", "@eadir", "lost+found", ".documentrevisions-v100");
    private static final Set<String> FILES = Set.of(".ds_store", "thumbs.db", "ehthumbs.db", "desktop.ini", ".directory", ".localized",
            ".apdisk", "icon\r",
            ".volumeicon.icns");

    private Leftovers() {
    }

    /** The topmost part of a path that is a leftover, empty when none is. */
    public static Optional<String> in(String path) {
        for (int from = 0; from <= path.length();) {
            int slash = path.indexOf('/', from);
            int end = slash < 0 ? path.length() : slash;
            if (from < end && mayBe(path.charAt(from), end - from)) {
                String name = path.substring(from, end).toLowerCase(Locale.ROOT);
                if (FOLDERS.contains(name) || (slash < 0 && isFile(name))) {
                    return Optional.of(path.substring(0, end));
                }
            }
            from = end + 1;
        }
        return Optional.empty();
    }

    /** Most names are let go at their first letter and their length. */
    private static boolean mayBe(char first, int length) {
        return switch (first) {
            case '.', '~', '_', '$', '@' -> true;
            case 's', 'S' -> length == "system volume information".length();
            case 'l', 'L' -> length == "lost+found".length();
            case 't', 'T' -> length == "thumbs.db".length();
            case 'e', 'E', 'd', 'D' -> length == "desktop.ini".length();
            default -> (first == 'i' || first == 'I') && length == "icon\r".length();
        };
    }

    private static boolean isFile(String name) {
        boolean lock = (name.startsWith(".~lock.") && name.endsWith("#")) || name.startsWith("~$");
        return FILES.contains(name) || name.startsWith("._") || lock || name.startsWith(".fuse_hidden") || name.startsWith(".nfs0");
    }
}
