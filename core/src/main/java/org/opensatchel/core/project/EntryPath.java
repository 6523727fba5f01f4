package org.opensatchel.core.project;

import java.util.ArrayList;
import java.util.List;

/**
 * The path of an entry in an archive or listing, made safe: backslashes are separators, {@code .} goes, and what would
 * leave the place it is unpacked to is refused.
 */
sealed interface EntryPath {

    /** A path below the top. */
    record Safe(String path, boolean folder) implements EntryPath {
    }

    /** A path that must not be followed. */
    record Unsafe(String reason) implements EntryPath {
    }

    static EntryPath read(String raw) {
        if (isPlain(raw)) {
            return new Safe(raw, false);
        }
        String path = raw.replace('\\', '/');
        if (path.indexOf('\0') >= 0) {
            return new Unsafe("its name holds a NUL character");
        }
        if (path.startsWith("/")) {
            return new Unsafe("its name is an absolute path");
        }
        List<String> names = new ArrayList<>();
        for (String name : path.split("/", -1)) {
            if (name.equals("..")) {
                if (names.isEmpty()) {
                    return new Unsafe("its name leads out of the folder it is unpacked to");
                }
                names.remove(names.size() - 1);
                if (names.isEmpty()) {
                    return new Unsafe("its name leads out of the project's folder");
                }
            } else if (!name.isEmpty() && !name.equals(".")) {
                names.add(name);
            }
        }
        String safe = String.join("/", names);
        // Looked at last: ./C:/a begins with a drive too.
        boolean drive = safe.length() > 1 && safe.charAt(1) == ':' && Character.isLetter(safe.charAt(0)) && safe.charAt(0) < 128;
        return drive ? new Unsafe("its name begins with a drive") : new Safe(safe, path.endsWith("/"));
    }

    /** Whether there is nothing to make safe, as in nearly every path: a million of them are read without taking them apart. */
    private static boolean isPlain(String path) {
        boolean begins = true;
        for (int i = 0; i < path.length(); i++) {
            char c = path.charAt(i);
            if (c == '\\' || c == '\0' || (c == ':' && i == 1) || (begins && (c == '/' || c == '.'))) {
                return false;
            }
            begins = c == '/';
        }
        return !begins;
    }
}
