package org.opensatchel.formats.described;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Unreadable;

/** How far a content begins as those of a kind do. */
public enum Beginning {
    /** It is another: what must be there is not. */
    OTHER,
    /** Nothing speaks against it. */
    OPEN,
    /** It is like them, as many others may be. */
    LIKE,
    /** Nothing else begins so. */
    TELLING;

    static Beginning of(Kind kind, byte[] content) {
        Kind.Begins begins = kind.begins();
        if (!Content.of(content).contains(kind.content())) {
            return OTHER;
        }
        Head head = Content.head(content);
        if (!begins.bytes().isEmpty()) {
            return !head.startsWith(ByteWalk.mark(begins.bytes())) ? OTHER : begins.isTelling() ? TELLING : LIKE;
        }
        if (!begins.root().isEmpty()) {
            return head.xmlRoot().equals(begins.root()) ? TELLING : OTHER;
        }
        if (!begins.keys().isEmpty()) {
            Set<String> there = keys(kind.content(), content);
            long same = begins.keys().stream().filter(there::contains).count();
            return same > 0 && 2 * same >= begins.keys().size() ? LIKE : OPEN;
        }
        if (!begins.line().isEmpty()) {
            return firstLine(content).equals(begins.line()) ? LIKE : OPEN;
        }
        return OPEN;
    }

    /** The first word of the first line that is no comment. */
    public static String firstLine(byte[] content) {
        return Content.text(content).orElse("").lines().limit(100).map(LineParts::new).filter(line -> !line.isBlank() && !line.isComment())
                .findFirst()
                .map(line -> line.stripped().startsWith("[") ? LineParts.word(line.stripped()) : line.first()).orElse("");
    }

    /** The names at the top of a tree; of a list those of its entries. */
    public static Set<String> keys(Content content, byte[] bytes) {
        Top top = new Top(0, new HashSet<>());
        try {
            content.read(bytes, top, new SpotSink.Nothing());
        } catch (Unreadable broken) {
            // What was met before says enough.
        }
        return top.names;
    }

    /** Remembers the names of the first step; a list's entries count as the top. */
    private record Top(int depth, Set<String> names) implements Trail {
        private static final int MOST = 200;

        @Override
        public Trail child(String name) {
            if (name.equals(Where.ANY)) {
                return depth == 0 ? new Top(1, names) : null;
            }
            if (names.size() < MOST) {
                names.add(name);
            }
            return null;
        }

        @Override
        public Trail within(String name, Trail above) {
            return child(name);
        }

        @Override
        public List<Where> wheres() {
            return List.of();
        }

        @Override
        public boolean keeps() {
            return false;
        }
    }
}
