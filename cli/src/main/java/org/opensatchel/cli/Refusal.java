package org.opensatchel.cli;

import java.util.List;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.words.Words;

/** Something asked for that cannot be done: what is said of it, in no language yet. */
final class Refusal extends Exception {

    private static final long serialVersionUID = 1L;

    private final String key;
    private final transient Object[] values;

    /**
     * @param key what stands in the bundle of words
     * @param values what fills it; phrases among them are said in the same language
     */
    Refusal(String key, Object... values) {
        super(key);
        this.key = key;
        this.values = values;
    }

    boolean is(String what) {
        return key.equals(what);
    }

    String in(Words words) {
        Object[] said = values.clone();
        for (int i = 0; i < said.length; i++) {
            said[i] = said[i] instanceof Phrase phrase ? words.text(phrase) : said[i] instanceof Phrases all ? all.in(words) : said[i];
        }
        return words.fill(key, said);
    }

    /** Several phrases, one after the other. */
    record Phrases(List<Phrase> phrases, String between) {
        String in(Words words) {
            return String.join(between, phrases.stream().map(words::text).toList());
        }
    }
}
