package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.DETAIL;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PATTERN;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a kit document: sentences. */
public enum KitWording implements Wording {
    MOST_UNDER_LEAST,
    NO_NUMBER,
    LINKS_WHAT,
    TOO_LARGE(MOST_BYTES),
    NO_KIT,
    NO_TITLE,
    NO_ROOT,
    ROOT_SLASH,
    EMPTY(KEY),
    PATTERN_AT(NUMBER, PATTERN, FAULT),
    PATH_EMPTY,
    PATH_BACKSLASH(FOUND),
    PATH_DRIVE(FOUND),
    PATH_OUTSIDE(FOUND),
    FOLDER_TWICE(FOUND, OTHER),
    STARTER_TWICE(FOUND),
    COMPANION_SLASH,
    COMPANION_NO_NAME(FOUND),
    LIKE_NOBODY(FOUND),
    LIKE_ITSELF(FOUND),
    PATH_DEEP(MOST),
    BAD_HASH,
    NO_MACHINE(FOUND, OTHERS),
    NO_CODE(FOUND),
    PACKAGE_CODE,
    POINTS(MOST),
    POINTS_OFF(MOST),
    LINK_FILES,
    LINK_KINDS,
    LINK_ELEMENT,
    LINK_POINTER,
    LINK_PATTERN_LARGE(MOST, COUNT),
    PROFILE_HASH,
    LINK_PATTERN_GROUP,
    LINK_PATTERN(DETAIL),
    ASPECT,
    PEAK,
    LOUDNESS,
    NOT_ABOVE_ZERO(KEY),
    STARTS_AT,
    PROXIES_WHAT,
    PROXY_NAME(FOUND),
    UNREADABLE(FAULT);

    private final Set<FactName> takes;

    KitWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("kit-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
