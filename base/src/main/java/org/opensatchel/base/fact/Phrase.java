package org.opensatchel.base.fact;

import static org.opensatchel.base.fact.FactName.AT;
import static org.opensatchel.base.fact.FactName.IN;
import static org.opensatchel.base.fact.FactName.NAME;
import static org.opensatchel.base.fact.FactName.PATH;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Map;
import java.util.Optional;

/**
 * Something to say, in no language yet: which wording, and the facts that fill it. In JSON it is the object of its facts, with the
 * wording's key under {@code is}.
 *
 * @param key the wording's key in the bundles of words
 */
public record Phrase(String key, Facts facts) {

    /** What is said of a path, and of a place in it where there is one: the path is told as a whole and in its parts. */
    public static Phrase of(String key, String path, Optional<String> at, Facts facts) {
        int slash = path.lastIndexOf('/');
        Optional<String> whole = Optional.of(path).filter(text -> !text.isEmpty());
        return new Phrase(key, facts.and(PATH, whole).and(NAME, whole.map(text -> text.substring(slash + 1)))
                .and(IN, whole.filter(text -> slash > 0).map(text -> text.substring(0, slash))).and(AT, at));
    }

    @JsonValue
    Map<String, Object> json() {
        return Facts.json(this);
    }

    /** A phrase that names no wording says nothing. */
    @JsonCreator
    static Phrase fromJson(Map<String, Object> object) {
        return Facts.phrase(object).orElse(new Phrase("", Facts.NONE));
    }
}
