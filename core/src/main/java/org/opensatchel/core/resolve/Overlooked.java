package org.opensatchel.core.resolve;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What has to be overlooked for a link to find its file. */
public enum Overlooked implements Wording {
    ACCENTS,
    CAPITALS,
    JOINED_LETTERS,
    END_OF_NAME,
    BACKSLASHES,
    UNENCODED_SIGNS,
    PERCENT_ENCODING,
    TWICE_ENCODED,
    CAPITALS_OR_ACCENTS;

    private final Set<FactName> takes;

    Overlooked(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("overlooked", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
