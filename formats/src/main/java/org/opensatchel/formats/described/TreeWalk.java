package org.opensatchel.formats.described;

import java.util.List;
import java.util.function.Supplier;
import org.opensatchel.base.place.SourcePosition;

/** A walk down a tree of names, told by whoever reads the document; hands over the values at places that are looked for. */
final class TreeWalk {

    /** What is nested in its own kind is so within a few steps. */
    private static final int FARTHEST = 8;

    private final SpotSink sink;
    private Open open;
    private int order;

    /** One open element, object or list. */
    private static final class Open {
        private final Open around;
        private final Trail trail;
        private final Level level;
        private final String name;
        private final boolean list;
        private final int depth;
        private int index;

        Open(Open around, Trail trail, Level level, int depth, String name, boolean list) {
            this.depth = depth;
            this.around = around;
            this.trail = trail;
            this.level = level;
            this.name = name;
            this.list = list;
        }
    }

    TreeWalk(Trail top, SpotSink sink, boolean list) {
        this.sink = sink;
        this.open = new Open(null, top, new Level(null), 0, "", list);
    }

    /** Goes into something of a name; a list needs none. */
    void enter(String name, boolean list) {
        String step = open.list ? Where.ANY : name;
        Open same = open.list ? null : sameAbove(name);
        Trail trail = open.trail == null ? null : open.trail.within(step, same == null ? null : same.trail);
        boolean nested = same != null && trail == same.trail;
        int depth = nested ? same.depth : open.depth + 1;
        String own = open.list ? Integer.toString(open.index++) : name;
        // Below what nobody looks for there are no levels of their own: nothing there is kept.
        open = new Open(open, trail, trail == null ? open.level : new Level(open.level, depth), depth, own, list);
    }

    /** What has the same name further up: groups in groups are one place, however deep they go. */
    private Open sameAbove(String name) {
        Open at = open;
        for (int up = 0; at != null && at.around != null && up < FARTHEST; up++) {
            if (at.name.equals(name) && !at.around.list) {
                return at;
            }
            at = at.around;
        }
        return null;
    }

    /** Whether anything is looked for right here or below. */
    boolean wanted() {
        return open.trail != null;
    }

    void leave() {
        open = open.around;
    }

    /** A value right here, under a name; in a list by its place. */
    void value(String name, String text) {
        int at = open.list ? open.index++ : 0;
        order++;
        if (open.trail == null) {
            return;
        }
        String own = open.list ? Integer.toString(at) : name;
        value(own, text, listed(own, at), () -> new SourcePosition.InTree(pointer(own), order));
    }

    private List<Where> listed(String own, int at) {
        if (open.list) {
            return open.trail.wheres(at);
        }
        Trail trail = open.trail.child(own);
        return trail == null ? List.of() : trail.wheres();
    }

    /** A value at a place of its own. */
    void value(String name, String text, Supplier<SourcePosition> place) {
        if (open.trail != null) {
            Trail trail = open.trail.child(name);
            value(name, text, trail == null ? List.of() : trail.wheres(), place);
        }
    }

    /** The text of what is open itself. */
    void text(String text, Supplier<SourcePosition> place) {
        if (open.trail != null) {
            hand(open.trail.wheres(), text, place);
        }
        if (open.around != null && open.around.trail != null && open.around.trail.keeps()) {
            open.around.level.put(open.name, text);
        }
    }

    private void value(String name, String text, List<Where> wheres, Supplier<SourcePosition> place) {
        if (open.trail.keeps()) {
            open.level.put(name, text);
        }
        hand(wheres, text, place);
    }

    private void hand(List<Where> wheres, String text, Supplier<SourcePosition> place) {
        if (!wheres.isEmpty()) {
            sink.value(wheres, text, place, open.level);
        }
    }

    private String pointer(String last) {
        StringBuilder out = new StringBuilder();
        for (Open at = open; at.around != null; at = at.around) {
            out.insert(0, "/" + escaped(at.name));
        }
        return out.append('/').append(escaped(last)).toString();
    }

    private static String escaped(String name) {
        return name.replace("~", "~0").replace("/", "~1");
    }
}
