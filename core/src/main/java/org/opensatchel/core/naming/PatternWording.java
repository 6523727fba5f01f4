package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PATTERN;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a name pattern cannot be read. */
public enum PatternWording implements Wording {
    STRAY_BRACE,
    OPEN_BRACE,
    UNKNOWN_FIELD(PATTERN),
    DATE_OPTION,
    DIGITS(PATTERN, EXPECTED, MOST),
    UNKNOWN_OPTION(PATTERN);

    private final Set<FactName> takes;

    PatternWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("pattern-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
