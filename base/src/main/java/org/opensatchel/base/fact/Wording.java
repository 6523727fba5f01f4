package org.opensatchel.base.fact;

import java.util.Set;

/** Something that can be said. Each is one key in the bundles of words, and declares the facts that fill it. */
public interface Wording {

    String key();

    /** The facts its words may name; some of them may be absent in one case or another. */
    Set<FactName> takes();

    /** With nothing particular to it. */
    default Phrase say() {
        return say(Facts.NONE);
    }

    default Phrase say(Facts facts) {
        assert takes().containsAll(facts.names()) : key() + " takes " + takes() + ", not " + facts.names();
        return new Phrase(key(), facts);
    }

    /** The key of an enum's constant: {@code family.a-constant}. */
    static String key(String family, Enum<?> constant) {
        return family + "." + word(constant);
    }

    /** A constant as reports and bundles write it. */
    static String word(Enum<?> constant) {
        return constant.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
