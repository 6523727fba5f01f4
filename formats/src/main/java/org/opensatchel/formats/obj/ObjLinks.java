package org.opensatchel.formats.obj;

import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.StatementLines;
import org.opensatchel.formats.text.StatementLines.Statement;

/**
 * Wavefront OBJ models (the format's published description, 1995): material and map libraries, shadow and trace objects.
 * {@code call} scripts are not read, since their arguments make their names uncertain.
 */
final class ObjLinks implements LinkReader {

    private static final Set<String> LIBRARIES = Set.of("mtllib", "maplib");
    private static final Set<String> OBJECTS = Set.of("shadow_obj", "trace_obj");

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("obj");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        StatementLines.read(document.stream(), statement -> {
            String keyword = statement.keyword().toLowerCase(Locale.ROOT);
            if (LIBRARIES.contains(keyword)) {
                libraries(statement, keyword.equals("mtllib") ? ".mtl" : ".map", sink);
            } else if (OBJECTS.contains(keyword)) {
                sink.add(new SourcePosition.InText(statement.line(), statement.restColumn()), statement.rest(), Notation.PLAIN);
            }
        });
    }

    /** Several names on a line are told apart by their extension, since a name may hold spaces; without it the line is one name. */
    private static void libraries(Statement statement, String extension, LinkSink sink) {
        String rest = statement.rest();
        String lower = rest.toLowerCase(Locale.ROOT);
        // A letter of some language takes more room in small: then names are told apart as they are written.
        String folded = lower.length() == rest.length() ? lower : rest;
        int start = 0;
        int column = statement.restColumn();
        while (start < rest.length() && !(start > 0 && rest.charAt(start) == '#')) {
            int end = nameEnd(folded, start, extension);
            String name = rest.substring(start, end);
            sink.add(new SourcePosition.InText(statement.line(), column), name, Notation.PLAIN);
            int begun = start;
            start = end;
            while (start < rest.length() && Character.isWhitespace(rest.charAt(start))) {
                start++;
            }
            column += rest.codePointCount(begun, start);
        }
    }

    private static int nameEnd(String rest, int start, String extension) {
        int at = rest.indexOf(extension, start);
        while (at >= 0) {
            int end = at + extension.length();
            if (end == rest.length() || Character.isWhitespace(rest.charAt(end))) {
                return end;
            }
            at = rest.indexOf(extension, end);
        }
        return rest.length();
    }
}
