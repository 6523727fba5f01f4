package org.opensatchel.web.http;

import java.util.Map;
import java.util.Set;
import org.opensatchel.web.text.Speech;

/**
 * What an error page says: whose the error is, and what to do.
 *
 * @param title what happened, as a heading
 * @param sentence what to do about it
 */
record ErrorWords(String title, String sentence) {

    private static final Set<Integer> KNOWN = Set.of(400, 401, 404, 405, 406, 408, 409, 413, 422, 429, 503, 507);
    /** What people are told of these is the same. */
    private static final Map<Integer, Integer> ALIKE = Map.of(403, 401, 415, 406);

    static ErrorWords of(int status) {
        int told = ALIKE.getOrDefault(status, status);
        if (KNOWN.contains(told)) {
            return said(Integer.toString(told));
        }
        return said(status >= 500 ? "500" : "other");
    }

    /** There was no time for this: the machine has more to do than it can. */
    static ErrorWords busy() {
        return said("busy");
    }

    private static ErrorWords said(String kind) {
        return new ErrorWords(Speech.say("error." + kind), Speech.say("error." + kind + ".what"));
    }
}
