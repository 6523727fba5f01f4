package org.opensatchel.base.path;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Writes the link from a document to a file of its project, relative, so that it opens wherever the project lies. */
public final class RelativeLink {

    private RelativeLink() {
    }

    /**
     * The text of the link.
     *
     * @param document the document it stands in
     * @param target the file or folder it leads to
     */
    public static String text(ProjectPath document, ProjectPath target, Notation notation) {
        List<String> from = document.parent().names();
        List<String> to = target.names();
        int same = 0;
        while (same < from.size() && same < to.size() && from.get(same).equals(to.get(same))) {
            same++;
        }
        List<String> way = new ArrayList<>(Collections.nCopies(from.size() - same, ".."));
        way.addAll(to.subList(same, to.size()));
        String path = way.isEmpty() ? "." : String.join("/", way);
        if (notation.isUri()) {
            return PercentCoding.encode(path);
        }
        // What could be read as a home folder or a variable is said to lie here.
        return path.startsWith("~") || path.startsWith("$") || path.startsWith("%") ? "./" + path : path;
    }
}
