package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What is said of the further demands of a kit. */
public enum DemandWording implements Wording {
    AT_LEAST(FOUND, TYPES, LEAST),
    BETWEEN(FOUND, TYPES, LEAST, MOST),
    EXACTLY(FOUND, TYPES, LEAST),
    SIZES(PLACE, TYPES, BYTES, MOST_BYTES),
    NUMBERED(PLACE, PATTERN),
    FORBIDDEN(PATTERN, PURPOSE),
    LINKING(ROLE, LEAST, PLACE, OTHER, FOUND),
    MEDIA(ROLE, PLACE, PARTS),
    TIMING(ROLE, PARTS),
    PROXIES(PLACE, PATTERN);

    private final Set<FactName> takes;

    DemandWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("demand", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
