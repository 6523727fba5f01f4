package org.opensatchel.web.errand;

import java.util.HashMap;
import java.util.Map;

/**
 * How many of something go on at once: all together, and of each who has some. Used by many threads.
 *
 * @param <K> what those who have places are known by
 */
public class Places<K> {

    private final int most;
    private final int mostOfOne;
    private final Map<K, Integer> taken = new HashMap<>();
    private int all;

    public Places(int most, int mostOfOne) {
        this.most = most;
        this.mostOfOne = mostOfOne;
    }

    /** Takes a place, which has to be given back; false when there is none. */
    public boolean take(K who) {
        return take(who, mostOfOne);
    }

    /** The same for one who may have another number of them. */
    public synchronized boolean take(K who, int mostOfThem) {
        boolean free = all < most && of(who) < mostOfThem;
        if (free) {
            all++;
            taken.merge(who, 1, Integer::sum);
        }
        return free;
    }

    public synchronized void giveBack(K who) {
        all--;
        taken.computeIfPresent(who, (key, count) -> count == 1 ? null : count - 1);
    }

    /** How many somebody has. */
    public synchronized int of(K who) {
        return taken.getOrDefault(who, 0);
    }

    /** How many are taken. */
    public synchronized int all() {
        return all;
    }
}
