package org.opensatchel.core.project;

import java.util.Arrays;
import java.util.Comparator;
import java.util.function.Function;

/** Puts things in the order of their paths: on several threads where there are many, and at no cost where they are in order. */
final class PathOrder {

    private static final int MANY = 20_000;

    private PathOrder() {
    }

    /** Sorts; of two with one path the first stays first. */
    static <T> void sort(T[] items, Function<T, String> path) {
        if (isSorted(items, path)) {
            return;
        }
        if (items.length > MANY) {
            Arrays.parallelSort(items, Comparator.comparing(path));
        } else {
            Arrays.sort(items, Comparator.comparing(path));
        }
    }

    private static <T> boolean isSorted(T[] items, Function<T, String> path) {
        for (int i = 1; i < items.length; i++) {
            if (path.apply(items[i - 1]).compareTo(path.apply(items[i])) > 0) {
                return false;
            }
        }
        return true;
    }
}
