package org.opensatchel.web.handin;

import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** How many uploads come in at once: each holds a thread for as long as it takes, and pages need some too. */
@Component
public class UploadPlaces {

    private static final int MOST = 80;
    private static final int MOST_OF_ONE = 2;

    private final Map<Long, Integer> going = new HashMap<>();
    private int all;

    /** Takes a place, which has to be given back; false when there is none. */
    public synchronized boolean take(long account) {
        boolean free = all < MOST && going.getOrDefault(account, 0) < MOST_OF_ONE;
        if (free) {
            all++;
            going.merge(account, 1, Integer::sum);
        }
        return free;
    }

    public synchronized void giveBack(long account) {
        all--;
        going.computeIfPresent(account, (key, count) -> count == 1 ? null : count - 1);
    }
}
