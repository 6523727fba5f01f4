package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;

/** A place on the way down a tree of names, as far as anything is looked for below it. */
interface Trail {

    /** The place one step below; null when nothing is looked for there. */
    Trail child(String name);

    /**
     * The same for what may be nested in its own kind.
     *
     * @param above the place of something of the same name further up; null where there is none
     */
    Trail within(String name, Trail above);

    /** The places that a value right here stands at. */
    List<Where> wheres();

    /** The same for the value at an index of a list, which stands at a place of its own as well. */
    default List<Where> wheres(int index) {
        return wheres();
    }

    /** Whether short values right in it are kept, for conditions. */
    boolean keeps();

    /** The names that are looked for, {@link Where#ANY} among them. */
    static Trail sought(Set<Where> wheres, boolean keeps) {
        Pattern top = new Pattern();
        for (Where where : wheres) {
            if (where instanceof Where.InTree tree) {
                Pattern at = top;
                for (String step : tree.steps()) {
                    at = at.below.computeIfAbsent(step, key -> new Pattern());
                }
                at.where = where;
            }
        }
        return new Sought(List.of(top), keeps);
    }

    /** Everything, each place under its own name and, in lists, under {@link Where#ANY}. */
    static Trail explored() {
        return new Explored(null, "", new int[1]);
    }

    /** A step of what is looked for. */
    final class Pattern {
        private final Map<String, Pattern> below = new HashMap<>();
        private Where where;
    }

    /** Where one is on all patterns at once. */
    final class Sought implements Trail {
        private static final int MOST_KNOWN = 1_000;
        private static final Sought NOWHERE = new Sought(List.of(), false);

        private final List<Pattern> here;
        private final boolean keeps;
        private final Map<String, Sought> known = new HashMap<>();

        Sought(List<Pattern> here, boolean keeps) {
            this.here = here;
            this.keeps = keeps;
        }

        @Override
        public Trail child(String name) {
            Sought next = known.get(name);
            if (next == null) {
                List<Pattern> out = new ArrayList<>(1);
                for (Pattern pattern : here) {
                    Pattern exact = pattern.below.get(name);
                    Pattern any = name.equals(Where.ANY) ? null : pattern.below.get(Where.ANY);
                    if (exact != null) {
                        out.add(exact);
                    }
                    if (any != null) {
                        out.add(any);
                    }
                }
                next = out.isEmpty() ? NOWHERE : new Sought(out, keeps);
                if (known.size() < MOST_KNOWN) {
                    known.put(name, next);
                }
            }
            return next == NOWHERE ? null : next;
        }

        /** What is looked for right here comes first. */
        @Override
        public Trail within(String name, Trail above) {
            Trail own = child(name);
            return own == null ? above : own;
        }

        @Override
        public List<Where> wheres() {
            return here.stream().map(pattern -> pattern.where).filter(Objects::nonNull).toList();
        }

        @Override
        public List<Where> wheres(int index) {
            Trail at = child(Integer.toString(index));
            return at == null ? List.of() : at.wheres();
        }

        @Override
        public boolean keeps() {
            return keeps;
        }
    }

    /** A place that was met. */
    final class Explored implements Trail {
        private static final int MOST = 50_000;
        private static final int MOST_INDEXES = 12;

        private final Explored above;
        private final String name;
        private final int[] count;
        private final Map<String, Explored> below = new HashMap<>();
        private final List<List<Where>> byIndex = new ArrayList<>(0);
        private List<Where> wheres;

        Explored(Explored above, String name, int[] count) {
            this.above = above;
            this.name = name;
            this.count = count;
        }

        @Override
        public Trail child(String step) {
            Explored next = below.get(step);
            if (next == null && count[0] < MOST) {
                count[0]++;
                next = new Explored(this, step, count);
                below.put(step, next);
            }
            return next;
        }

        @Override
        public Trail within(String step, Trail above) {
            return above == null ? child(step) : above;
        }

        @Override
        public List<Where> wheres() {
            if (wheres == null) {
                wheres = List.of(new Where.InTree(steps()));
            }
            return wheres;
        }

        @Override
        public List<Where> wheres(int index) {
            int at = Math.min(index, MOST_INDEXES);
            while (byIndex.size() <= at) {
                byIndex.add(indexed(byIndex.size()));
            }
            return byIndex.get(at);
        }

        private List<Where> indexed(int index) {
            List<Where> out = new ArrayList<>(2);
            Trail any = child(Where.ANY);
            Trail own = index < MOST_INDEXES ? child(Integer.toString(index)) : null;
            if (any != null) {
                out.addAll(any.wheres());
            }
            if (own != null) {
                out.addAll(own.wheres());
            }
            return out;
        }

        private List<String> steps() {
            List<String> out = new ArrayList<>();
            for (Explored at = this; at.above != null; at = at.above) {
                out.add(0, at.name);
            }
            return out;
        }

        @Override
        public boolean keeps() {
            return true;
        }

        /** The places down to here and below, lists as {@link Where#ANY}: what a document of this kind is made of. */
        Set<String> known() {
            Set<String> out = new TreeSet<>();
            collect(out);
            return out;
        }

        private void collect(Set<String> out) {
            boolean index = !name.isEmpty() && name.chars().allMatch(Character::isDigit);
            if (above != null && !index) {
                out.add(new Where.InTree(steps()).text());
            }
            below.values().forEach(one -> one.collect(out));
        }
    }
}
