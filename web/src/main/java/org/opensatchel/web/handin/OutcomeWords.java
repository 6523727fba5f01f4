package org.opensatchel.web.handin;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.opensatchel.web.text.Speech;

/** What a page says of outcomes and forms of links, each looked up once however many links there are. */
public final class OutcomeWords {

    private static final Set<String> SOUND = Set.of("ok", "embedded");
    private static final Set<String> OPEN = Set.of("remote", "unknown");

    private final Map<String, String> said = new HashMap<>();

    public String words(String outcome) {
        return said.computeIfAbsent("outcome." + outcome, Speech::say);
    }

    public String form(String form) {
        return said.computeIfAbsent("form." + form, Speech::say);
    }

    /** How serious an outcome looks: {@code ready}, {@code should}, {@code note} or {@code must}. */
    public String mark(String outcome) {
        return SOUND.contains(outcome) ? "ready" : outcome.equals("misspelt") ? "should" : OPEN.contains(outcome) ? "note" : "must";
    }
}
