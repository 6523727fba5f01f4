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
    private final Map<String, Integer> going = new HashMap<>();
    /** Those whose turn was longest ago come first. */
    private final Map<String, Deque<T>> waiting = new LinkedHashMap<>();
    private int allGoing;
    private int allWaiting;

    TurnQueue(int atOnce) {
        this.atOnce = atOnce;
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

    synchronized Entry enter(String who, Share share, T one) {
        if (allGoing < atOnce && going.getOrDefault(who, 0) < share.going && !waiting.containsKey(who)) {
            begin(who);
            return Entry.GOES;
        }
        Deque<T> own = waiting.getOrDefault(who, new ArrayDeque<>());
        if (own.size() >= share.waiting) {
            return Entry.REFUSED;
        }
        own.add(one);
        allWaiting++;
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
     * @param share what each may have
     * @return those that go now
     */
    synchronized List<T> leave(String who, Function<String, Share> share) {
        allGoing--;
        going.computeIfPresent(who, (key, count) -> count == 1 ? null : count - 1);
        List<T> out = new ArrayList<>();
        for (T next = next(share); next != null; next = next(share)) {
            out.add(next);
        }
        return out;
    }

    private T next(Function<String, Share> share) {
        if (allGoing >= atOnce) {
            return null;
        }
        for (Iterator<Map.Entry<String, Deque<T>>> all = waiting.entrySet().iterator(); all.hasNext();) {
            Map.Entry<String, Deque<T>> own = all.next();
            String who = own.getKey();
            if (going.getOrDefault(who, 0) < share.apply(who).going) {
                T one = own.getValue().poll();
                all.remove();
                if (!own.getValue().isEmpty()) {
                    waiting.put(who, own.getValue());
                }
                allWaiting--;
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
        allWaiting--;
        if (own.isEmpty()) {
            waiting.remove(who);
        }
        return true;
    }

    synchronized int waiting() {
        return allWaiting;
    }
}
