package org.opensatchel.core.resolve;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OVERLOOKED;
import static org.opensatchel.base.fact.FactName.ROOT;
import static org.opensatchel.base.fact.FactName.UNIT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a link does not open on another machine, or a file cannot be there. */
public enum CarryWording implements Wording {
    /** Files. */
    PATH_TOO_LONG(COUNT, MOST, UNIT),
    FILE_TOO_LARGE(BYTES, MOST_BYTES),
    NAME_REFUSED(FOUND, FAULT),
    NAME_COLON(FOUND),
    NAME_TOO_LONG(FOUND, COUNT, MOST, UNIT),
    FOLDER_IS_FILE(FOUND, OTHER),
    SAME_NAME(OTHER),
    /** Links. */
    FILE_REFUSED(FOUND, FAULT),
    MOVED,
    MISSING,
    WEB,
    VARIABLE,
    UNKNOWN,
    WEB_ROOT,
    SPLIT_ACCENTS,
    PINNED(OLD_ROOT, ROOT),
    BACKSLASHES,
    OTHER_SPELLING,
    OTHER_NAME(FOUND, OVERLOOKED),
    SHARE,
    OUTSIDE;

    private final Set<FactName> takes;

    CarryWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("carry", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
