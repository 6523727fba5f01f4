package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.ALLOWED_TYPES;
import static org.opensatchel.base.fact.FactName.AT;
import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.CODE;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PEOPLE;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a kit before it goes out. To each belongs what to do about it. */
public enum LintWording implements Wording {
    STARTER_LINK(PLACE, AT, FAULT),
    NOT_CLEAN(CODE, FAULT),
    AT_LEAST_FORBIDDEN(FOUND, LEAST),
    AT_LEAST_MANAGED(FOUND, LEAST),
    REQUIRED_IN_FORBIDDEN(FOUND, PLACE),
    ROLE_IN_MANAGED(ROLE, PLACE),
    ROLE_IN_FORBIDDEN(ROLE, PLACE),
    STARTER_IN_FORBIDDEN(FOUND, PLACE),
    ROLE_UNPLANNED(ROLE, PLACE),
    ROLE_NAME(ROLE, FOUND, FAULT),
    ROLE_NAME_LONG(ROLE, FOUND, COUNT, MOST),
    NAME_REFUSED(HOW, FOUND, FAULT),
    PATH_TOO_LONG(FOUND, COUNT, PLACE, MOST),
    NAME_TOO_LONG(FOUND, COUNT, PLACE, MOST),
    VERSIONS_UNNUMBERED(ROLE, COUNT, PATTERN),
    ROLE_UNKNOWN(ROLE, OTHER),
    ROLE_LIKE_ITSELF(ROLE, OTHER),
    ROOT_FREE_FIELD(PATTERN),
    ROOT_NAMELESS(PEOPLE, WHAT),
    ROOT_CLASH(PEOPLE, FOUND),
    ROOT_TOO_LONG(FOUND, COUNT, MOST),
    SAME_FOLDER(FOUND, OTHER),
    SAME_NAME(PLACE, ROLE, PATTERN, OTHER, EXPECTED),
    FILE_OVER_LIMIT(FOUND, BYTES, MOST_BYTES),
    FILE_OVER_MACHINE(FOUND, BYTES, MOST_BYTES, PLACE),
    LIMIT_OVER_MACHINE(BYTES, MOST_BYTES, PLACE),
    TOTAL_OVER_LIMIT(BYTES, MOST_BYTES),
    PICTURE_NOWHERE(OTHER, FOUND),
    STARTER_MISSING(FOUND),
    STARTER_DIFFERS(FOUND),
    LINKS_NO_ROLE(ROLE, OTHER),
    LINKS_NO_STARTER(ROLE, FOUND),
    DEMAND_UNPLANNED(PLACE),
    EITHER_ALONE(ROLE, OTHER),
    TYPE_NOWHERE(ROLE, PLACE, TYPES, ALLOWED_TYPES);

    private final Set<FactName> takes;

    LintWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("lint", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
