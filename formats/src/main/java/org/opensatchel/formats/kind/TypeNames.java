package org.opensatchel.formats.kind;

import java.util.Collection;
import java.util.Map;

/** Extensions that are one type though they are written in two ways, as long as the people who chose them had room for. */
public final class TypeNames {

    private static final Map<String, String> SHORT = Map.of("jpeg", "jpg", "tiff", "tif", "html", "htm", "aiff", "aif", "mpeg", "mpg",
            "midi", "mid");

    private TypeNames() {
    }

    /** The form in which two extensions are compared. */
    public static String key(String extension) {
        return SHORT.getOrDefault(extension, extension);
    }

    /** Whether an extension is one of several types, however each of them is written. */
    public static boolean contains(Collection<String> types, String extension) {
        if (types.contains(extension)) {
            return true;
        }
        String key = key(extension);
        return types.stream().anyMatch(type -> key(type).equals(key));
    }
}
