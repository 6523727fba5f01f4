package org.opensatchel.formats.described;

import static org.opensatchel.base.fact.FactName.DETAIL;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a profile: sentences. */
public enum ProfileWording implements Wording {
    NO_PROFILE,
    TOO_LARGE(MOST_BYTES),
    TOO_MANY(KEY, MOST),
    TOO_LONG(KEY, MOST),
    ONE_PLACE,
    NO_PATH,
    NO_PART(FOUND),
    NO_MARK,
    NO_LENGTH(FOUND),
    NO_CHARS(FOUND),
    PATTERN(DETAIL),
    PATTERN_GROUP,
    PATTERN_LARGE(MOST),
    NO_WRAP(FOUND),
    NO_CONTENT(FOUND),
    OTHER_CONTENT,
    SAME_ID(FOUND),
    NO_SLOT(FOUND),
    NO_START,
    NO_LINKS;

    private final Set<FactName> takes;

    ProfileWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("profile-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
