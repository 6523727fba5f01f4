package org.opensatchel.web.http;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Who goes next: all together so many at once, of each as many as is their due, and more while nobody else wants the room. Of those who wait one
 * of each goes after the other, however many one of them has. Used by many threads.
 *
 * @param <T> what waits
 */
final class TurnQueue<T> {

    private final int atOnce;
    private final int room;
    private final Function<String, Share> shares;
    private final Map<String, Integer> going = new HashMap<>();
    /** Those whose turn was longest ago come first. */
    private final Map<String, Deque<T>> waiting = new LinkedHashMap<>();
    private int allGoing;

    /**
     * A queue in which nobody goes yet.
     *
     * @param atOnce so many go at once, of all together
     * @param room as long as fewer go, of all together, one who wants more than is due gets it
     * @param shares what each may have
     */
    TurnQueue(int atOnce, int room, Function<String, Share> shares) {
        this.atOnce = atOnce;
        this.room = room;
        this.shares = shares;
    }

    /**
     * What one may have.
     *
     * @param due so many at once, whatever others want
     * @param waiting so many wait
     */
    record Share(int due, int waiting) {}

    /** What becomes of something that comes. */
    enum Entry {
        GOES, WAITS, REFUSED
    }

    synchronized Entry enter(String who, T one) {
        Share share = shares.apply(who);
        if (!waiting.containsKey(who) && (isDue(who) || isRoom())) {
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

    private boolean isDue(String who) {
        return allGoing < atOnce && going.getOrDefault(who, 0) < shares.apply(who).due;
    }

    private boolean isRoom() {
        return allGoing < Math.min(atOnce, room);
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

    /** Whose due it is comes first. */
    private T next() {
        String first = null;
        for (String who : waiting.keySet()) {
            if (isDue(who)) {
                return begin(who, waiting.get(who));
            }
            first = first == null ? who : first;
        }
        return first != null && isRoom() ? begin(first, waiting.get(first)) : null;
    }

    private T begin(String who, Deque<T> own) {
        T one = own.poll();
        waiting.remove(who);
        if (!own.isEmpty()) {
            waiting.put(who, own);
        }
        begin(who);
        return one;
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
