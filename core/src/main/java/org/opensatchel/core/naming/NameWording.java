package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.CHARACTER;
import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.OTHER;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a name, completing a sentence that begins with it. */
public enum NameWording implements Wording {
    /** A device of Windows. */
    DEVICE,
    ENDS_IN_DOT,
    ENDS_IN_SPACE,
    /** A character Windows refuses. */
    REFUSED(CHARACTER),
    /** A character that came in no encoding. */
    UNREADABLE,
    CONTROL(CODE_POINT),
    /** A mark that turns the reading direction. */
    TURNS(CODE_POINT),
    UNSEEN(CODE_POINT),
    /** Letters beyond A to Z, where the kit rules them out. */
    BEYOND_ASCII,
    CAPITALS,
    SMALL_LETTERS,
    SPACE,
    TOO_LONG(COUNT, MOST),
    /** A word that says nothing. */
    AVOIDED(OTHER),
    EMPTY,
    EMPTY_PART,
    /** It leads to another folder. */
    LEADS_AWAY,
    /** It is longer than any system takes. */
    LONGER_THAN_ANY;

    private final Set<FactName> takes;

    NameWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("name-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
