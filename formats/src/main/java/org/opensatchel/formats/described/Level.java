package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** One open part of a document on the way down to a value: an element, an object, a list, a section, a line. */
public final class Level {

    private static final String UP = "../";
    /** Longer values tell no kinds apart. */
    private static final int LONGEST = 64;
    private static final int MOST = 24;

    private final Level around;
    private final int depth;
    /** Names and values in turns: there are few of them, and very many levels. */
    private List<String> values = List.of();

    public Level(Level around) {
        this(around, around == null ? 0 : around.depth + 1);
    }

    /** @param depth how deep it counts as: a part within one of its own kind counts as that one does */
    Level(Level around, int depth) {
        this.around = around;
        this.depth = depth;
    }

    Level around() {
        return around;
    }

    /** The level around this one, or itself, that is so many steps below the top. */
    public Level at(int steps) {
        Level level = this;
        while (level.depth > steps) {
            level = level.around;
        }
        return level;
    }

    /** How many levels lie around it. */
    public int depth() {
        return depth;
    }

    void put(String key, String value) {
        if (value.length() <= LONGEST && values.size() < 2 * MOST) {
            if (values.isEmpty()) {
                values = new ArrayList<>(4);
            }
            values.add(key);
            values.add(value);
        }
    }

    /** A value in it, or with {@code ../} in the level around it; empty where there is none. */
    public String beside(String key) {
        Level level = this;
        String name = key;
        while (name.startsWith(UP) && level != null) {
            level = level.around;
            name = name.substring(UP.length());
        }
        return level == null ? "" : level.own(name);
    }

    private String own(String name) {
        for (int i = values.size() - 2; i >= 0; i -= 2) {
            if (values.get(i).equals(name)) {
                return values.get(i + 1);
            }
        }
        return "";
    }

    /** The names of the short values right in it. */
    public Set<String> names() {
        Set<String> out = new TreeSet<>();
        for (int i = 0; i < values.size(); i += 2) {
            out.add(values.get(i));
        }
        return out;
    }
}
