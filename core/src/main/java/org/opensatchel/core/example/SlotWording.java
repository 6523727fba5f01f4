package org.opensatchel.core.example;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** Where values stand in a program's documents, what they are, and what the examples say of it. */
public enum SlotWording implements Wording {
    IN_TREE(FOUND),
    IN_LINE(WHAT, FOUND, PLACE),
    PART_WHOLE,
    PART_REST,
    PART_QUOTED(NUMBER),
    PART_WORD(NUMBER),
    PART_FROM(NUMBER),
    PART_AFTER(FOUND),
    MATCHED(PATTERN),
    IN_BYTES(FOUND),
    ROLE_LINK,
    ROLE_SAME(OTHER),
    ROLE_FOLDER(OTHER),
    ROLE_BASE,
    ROLE_SAVED,
    ROLE_ALONE,
    LEADING(COUNT, MOST),
    NAMING(COUNT, MOST),
    NAMES_OF(COUNT, MOST),
    LEADING_NOWHERE(COUNT),
    SAVED_THERE(COUNT),
    SERVING(COUNT);

    private final Set<FactName> takes;

    SlotWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("slot", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
