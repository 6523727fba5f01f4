package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.PLACES;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.ROOT;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VERSION;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What the guide of a hand-out says, apart from what its kit says. */
public enum GuideWording implements Wording {
    FOR_WHO(PERSON),
    KIT_VERSION(VERSION),
    WHERE,
    KEEP(ROOT),
    PUT_ON(ALLOWED),
    UNPACK,
    KEEP_AWAY(PLACES),
    SET_LOCATION,
    BESIDE(FOUND, PURPOSE),
    PLAN,
    FORBIDDEN(OTHERS),
    MANAGED,
    AT_LEAST(COUNT),
    REPEATS(COUNT),
    SEALED,
    OPTIONAL,
    /** A part of a name is chosen by whoever makes it. */
    EXAMPLE,
    NAMES,
    VERSIONS(COUNT),
    OTHER_TYPES(TYPES),
    ONCE,
    BEFORE,
    BEFORE_WHAT,
    CHECKED,
    CHECKED_LINKS,
    CHECKED_FOLDERS,
    PORTABLE,
    NO_SPACES,
    SMALL_LETTERS,
    CAPITALS,
    MAX_LENGTH(MOST),
    AVOIDED(TYPES),
    UNCHANGED(OTHERS),
    TITLE(TEXT);

    private final Set<FactName> takes;

    GuideWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("guide", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
