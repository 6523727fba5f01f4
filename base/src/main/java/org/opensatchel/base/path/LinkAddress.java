package org.opensatchel.base.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A link's text taken apart: its form, what it is anchored to, and the names below the anchor as they would be looked up
 * (percent-encoding undone where the notation says URI, {@code .} dropped, {@code ..} kept).
 *
 * @param anchor {@code F:}, {@code //server/share}, {@code /Volumes/NAME}, {@code /}, {@code ~}; empty for relative and rooted links
 * @param names the names below the anchor
 * @param folder whether the text ends in a separator, and so names a folder
 */
public record LinkAddress(LinkForm form, String anchor, List<String> names, boolean folder) {

    public LinkAddress {
        names = List.copyOf(names);
    }

    /** The names after {@code ..} has been worked off against a folder's names; empty when they climb over its top. */
    public static Optional<List<String>> resolve(List<String> folder, List<String> names) {
        List<String> out = new ArrayList<>(folder);
        for (String name : names) {
            if (!name.equals("..")) {
                out.add(name);
            } else if (out.isEmpty()) {
                return Optional.empty();
            } else {
                out.remove(out.size() - 1);
            }
        }
        return Optional.of(out);
    }

    /** The absolute path the first {@code count} names lead to, in the syntax of the machine it was written on. */
    public String prefix(int count) {
        boolean windows = form == LinkForm.DRIVE || form == LinkForm.UNC;
        String separator = windows ? "\\" : "/";
        String start = form == LinkForm.UNC ? anchor.replace('/', '\\') : anchor;
        String below = String.join(separator, names.subList(0, count));
        if (start.endsWith(separator)) {
            return start + below;
        }
        if (below.isEmpty()) {
            return form == LinkForm.DRIVE ? start + separator : start;
        }
        return start + separator + below;
    }

    /** {@link #prefix} in the form in which two old roots are compared. */
    public String prefixKey(int count) {
        return NameFolding.lookupKey(anchor + "|" + String.join("/", names.subList(0, count)));
    }

    /** The last name, empty when there is none. */
    public String name() {
        return names.isEmpty() ? "" : names.get(names.size() - 1);
    }
}
