package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What should stand at a place in a name. */
public enum ExpectedWording implements Wording {
    END_OF_NAME,
    /** Certain letters. */
    LETTERS(EXPECTED),
    /** Certain letters that come from a field of the roster. */
    FIELD_LETTERS(EXPECTED, WHAT),
    /** Any value of a field of the roster. */
    FIELD(WHAT),
    WORD,
    TEXT,
    VERSION(COUNT),
    NUMBER(COUNT),
    DATE;

    private final Set<FactName> takes;

    ExpectedWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("expected", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
