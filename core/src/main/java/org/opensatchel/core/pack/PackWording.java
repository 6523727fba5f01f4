package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.TYPE;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Why a kit cannot be handed out or put onto a drive: sentences. */
public enum PackWording implements Wording {
    NO_FIELD(PARTS),
    FREE_FIELD,
    UNSAFE_NAME(FOUND, FAULT),
    UNSAFE_ROOT(FOUND, FAULT),
    THERE_ALREADY(FOUND, PLACE),
    NO_ROOM(PLACE, BYTES, MOST_BYTES),
    FILE_TOO_LARGE(FOUND, BYTES, PLACE, TYPE),
    UNWRITABLE(FOUND, PLACE, FAULT),
    BROKE_OFF(PLACE),
    NOT_ALL(PLACE, OTHERS),
    MEMBER(FOUND, FAULT),
    NO_PACKAGE,
    DOCUMENT(PLACE, FAULT),
    STARTER_MISSING(FOUND),
    STARTER_DIFFERS(FOUND),
    FOREIGN(FOUND),
    TOO_LARGE(MOST_BYTES);

    private final Set<FactName> takes;

    PackWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("handout", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
