package org.opensatchel.core.project;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.fact.Phrase;

/**
 * The path of an entry in an archive or listing, made safe: backslashes are separators, {@code .} goes, and what would
 * leave the place it is unpacked to is refused.
 */
sealed interface EntryPath {

    /** A path below the top. */
    record Safe(String path, boolean folder) implements EntryPath {}

    /** A path that must not be followed. */
    record Unsafe(Phrase what) implements EntryPath {}

    static EntryPath read(String raw) {
        if (isPlain(raw)) {
            return new Safe(raw, false);
        }
        String path = raw.replace('\\', '/');
        if (path.indexOf('\0') >= 0) {
            return new Unsafe(PackageWording.NUL.say());
        }
        if (path.startsWith("/")) {
            return new Unsafe(PackageWording.ABSOLUTE.say());
        }
        List<String> names = new ArrayList<>();
        for (String name : path.split("/", -1)) {
            if (name.equals("..")) {
                if (names.isEmpty()) {
                    return new Unsafe(PackageWording.LEADS_OUT.say());
                }
                names.remove(names.size() - 1);
                if (names.isEmpty()) {
                    return new Unsafe(PackageWording.LEADS_OUT_OF_PROJECT.say());
                }
            } else if (!name.isEmpty() && !name.equals(".")) {
                names.add(name);
            }
        }
        String safe = String.join("/", names);
        // Looked at last: ./C:/a begins with a drive too.
        boolean drive = safe.length() > 1 && safe.charAt(1) == ':' && Character.isLetter(safe.charAt(0)) && safe.charAt(0) < 128;
        return drive ? new Unsafe(PackageWording.DRIVE.say()) : new Safe(safe, path.endsWith("/"));
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
