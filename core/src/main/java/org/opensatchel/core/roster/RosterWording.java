package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.AFTER;
import static org.opensatchel.base.fact.FactName.BEFORE;
import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a roster, and what it would change: sentences and parts of them. */
public enum RosterWording implements Wording {
    AT(FOUND, NUMBER, OTHER, FAULT),
    EMPTY,
    TOO_MANY_ROWS(MOST),
    NO_TABLE,
    NO_WORKBOOK,
    OLD_WORKBOOK,
    TOO_LARGE(MOST_BYTES),
    NO_NAMES_COLUMN(OTHERS),
    NO_STUDENT,
    NO_NAME,
    HIDDEN_CHARACTER(WHAT, CODE_POINT),
    TOO_LONG(WHAT, MOST),
    NO_FILE_NAME(PERSON),
    NO_BUNDLE(FOUND),
    FILE(FAULT),
    COLUMN_MISSING(FOUND),
    NO_USER(FOUND),
    NOBODY_ENROLLED,
    TWICE(WHAT, FOUND, NUMBER),
    NOW(WHAT, AFTER, BEFORE);

    private final Set<FactName> takes;

    RosterWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("roster", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
