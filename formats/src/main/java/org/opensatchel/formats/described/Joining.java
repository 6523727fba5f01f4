package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Which value of one place belongs to which of another: those within the same part of a document, in their order. */
public final class Joining {

    /** How deep two places can share a part when nothing but the values' levels tells. */
    private static final int DEEPEST = 6;

    private Joining() {
    }

    /** The depths at which values of two places may share a part of the document, the deepest first. */
    public static List<Integer> depths(Where one, Where other) {
        int deepest = one instanceof Where.InTree mine && other instanceof Where.InTree its ? mine.common(its)
                : one instanceof Where.InLine ? DEEPEST : 0;
        List<Integer> out = new ArrayList<>();
        for (int depth = deepest; depth >= 0; depth--) {
            out.add(depth);
        }
        return out;
    }

    /** The other's value of each value, as its place in the list; -1 where it has none. As many of each go together in their order. */
    public static int[] pairs(List<Spot> mine, List<Spot> its, int depth) {
        int[] out = none(mine.size());
        Map<Level, List<Integer>> there = byLevel(its, depth);
        byLevel(mine, depth).forEach((level, own) -> {
            List<Integer> others = there.getOrDefault(level, List.of());
            if (own.size() == others.size()) {
                for (int i = 0; i < own.size(); i++) {
                    out[own.get(i)] = others.get(i);
                }
                return;
            }
            int from = 0;
            for (int one : own) {
                int best = -1;
                for (int i = from; i < others.size(); i++) {
                    if (best >= 0
                            && distance(mine.get(one), its.get(others.get(i))) >= distance(mine.get(one), its.get(others.get(best)))) {
                        break;
                    }
                    best = i;
                }
                if (best >= 0) {
                    out[one] = others.get(best);
                    from = best + 1;
                }
            }
        });
        return out;
    }

    private static int[] none(int size) {
        int[] out = new int[size];
        Arrays.fill(out, -1);
        return out;
    }

    private static long distance(Spot one, Spot other) {
        return Math.abs(one.anchor() - other.anchor());
    }

    private static Map<Level, List<Integer>> byLevel(List<Spot> values, int depth) {
        Map<Level, List<Integer>> out = new IdentityHashMap<>();
        for (int i = 0; i < values.size(); i++) {
            out.computeIfAbsent(values.get(i).level().at(depth), key -> new ArrayList<>()).add(i);
        }
        return out;
    }

    /**
     * Whether values of two places take turns wherever several of both stand in one part: only then it is plain which belong together.
     */
    public static boolean takeTurns(List<Spot> mine, List<Spot> its, int depth) {
        Map<Level, List<Integer>> there = byLevel(its, depth);
        for (Map.Entry<Level, List<Integer>> part : byLevel(mine, depth).entrySet()) {
            List<Integer> others = there.getOrDefault(part.getKey(), List.of());
            if (part.getValue().size() > 1 && others.size() > 1 && !takeTurns(mine, its, part.getValue(), others)) {
                return false;
            }
        }
        return true;
    }

    private static boolean takeTurns(List<Spot> mine, List<Spot> its, List<Integer> own, List<Integer> others) {
        int turns = 0;
        int i = 0;
        int k = 0;
        int last = 0;
        while (i < own.size() || k < others.size()) {
            boolean first = k == others.size() || (i < own.size() && mine.get(own.get(i)).anchor() <= its.get(others.get(k)).anchor());
            int now = first ? 1 : 2;
            turns += now == last ? 0 : 1;
            last = now;
            i += first ? 1 : 0;
            k += first ? 0 : 1;
        }
        // One that is left out here and there is none of a turn.
        return turns * 10 >= (own.size() + others.size()) * 9;
    }

    /** The last value of another place before each value, within the same part; -1 where there is none. */
    public static int[] last(List<Spot> mine, List<Spot> its, int depth) {
        int[] out = none(mine.size());
        Map<Level, List<Integer>> there = byLevel(its, depth);
        for (int i = 0; i < mine.size(); i++) {
            List<Integer> others = there.getOrDefault(mine.get(i).level().at(depth), List.of());
            int low = 0;
            int high = others.size();
            while (low < high) {
                int middle = (low + high) >>> 1;
                if (its.get(others.get(middle)).anchor() <= mine.get(i).anchor()) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            out[i] = others.isEmpty() ? -1 : others.get(Math.max(0, low - 1));
        }
        return out;
    }
}
