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

    private Leftovers() {
    }

    /** The topmost part of a path that is a leftover, empty when none is. */
    public static Optional<String> in(String path) {
        String[] names = path.split("/", -1);
        StringBuilder above = new StringBuilder();
        for (int i = 0; i < names.length; i++) {
            above.append(i == 0 ? "" : "/").append(names[i]);
            String name = names[i].toLowerCase(Locale.ROOT);
            boolean last = i == names.length - 1;
            if (FOLDERS.contains(name) || (last && isFile(name))) {
                return Optional.of(above.toString());
            }
        }
        return Optional.empty();
    }

    private static boolean isFile(String name) {
        boolean lock = (name.startsWith(".~lock.") && name.endsWith("#")) || name.startsWith("~$");
        return FILES.contains(name) || name.startsWith("._") || lock || name.startsWith(".fuse_hidden") || name.startsWith(".nfs0");
    }
}
