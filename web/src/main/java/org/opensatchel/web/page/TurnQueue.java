package org.opensatchel.web.page;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Who goes next: all together and of each so many at once, and of those who wait one of each after the other, however many one of them has. Used
 * by many threads.
 *
 * @param <T> what waits
 */
final class TurnQueue<T> {

    private final int atOnce;
    private final Function<String, Share> shares;
    private final Map<String, Integer> going = new HashMap<>();
    /** Those whose turn was longest ago come first. */
    private final Map<String, Deque<T>> waiting = new LinkedHashMap<>();
    private int allGoing;

    /**
     * A queue in which nobody goes yet.
     *
     * @param atOnce so many go at once, of all together
     * @param shares what each may have
     */
    TurnQueue(int atOnce, Function<String, Share> shares) {
        this.atOnce = atOnce;
        this.shares = shares;
    }

    /**
     * What one may have.
     *
     * @param going so many at once
     * @param waiting so many wait
     */
    record Share(int going, int waiting) {}

    /** What becomes of something that comes. */
    enum Entry {
        GOES, WAITS, REFUSED
    }

    synchronized Entry enter(String who, T one) {
        Share share = shares.apply(who);
        if (allGoing < atOnce && going.getOrDefault(who, 0) < share.going && !waiting.containsKey(who)) {
            begin(who);
            return Entry.GOES;
        }
        Deque<T> own = waiting.getOrDefault(who, new ArrayDeque<>());
        if (own.size() >= share.waiting) {
            return Entry.REFUSED;
        }
        own.add(one);
        waiting.putIfAbsent(who, own);
        return Entry.WAITS;
    }

    private void begin(String who) {
        allGoing++;
        going.merge(who, 1, Integer::sum);
    }

    /**
     * One is done.
     *
     * @return those that go now
     */
    synchronized List<T> leave(String who) {
        allGoing--;
        going.computeIfPresent(who, (key, count) -> count == 1 ? null : count - 1);
        List<T> out = new ArrayList<>();
        for (T next = next(); next != null; next = next()) {
            out.add(next);
        }
        return out;
    }

    private T next() {
        if (allGoing >= atOnce) {
            return null;
        }
        for (Iterator<Map.Entry<String, Deque<T>>> all = waiting.entrySet().iterator(); all.hasNext();) {
            Map.Entry<String, Deque<T>> own = all.next();
            String who = own.getKey();
            if (going.getOrDefault(who, 0) < shares.apply(who).going) {
                T one = own.getValue().poll();
                all.remove();
                if (!own.getValue().isEmpty()) {
                    waiting.put(who, own.getValue());
                }
                begin(who);
                return one;
            }
        }
        return null;
    }

    /** One does not wait any more; false when it goes already. */
    synchronized boolean forget(String who, T one) {
        Deque<T> own = waiting.get(who);
        if (own == null || !own.remove(one)) {
            return false;
        }
        if (own.isEmpty()) {
            waiting.remove(who);
        }
        return true;
    }
}
