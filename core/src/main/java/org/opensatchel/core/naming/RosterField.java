package org.opensatchel.core.naming;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What is known of a student or team from the roster, and may stand in a name pattern. In a sentence it is called by its words. */
public enum RosterField implements Wording {
    LAST, FIRST, ID, COURSE, SECTION, ASSIGNMENT, TEAM;

    /** As patterns write it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<RosterField> of(String word) {
        for (RosterField field : values()) {
            if (field.word().equals(word)) {
                return Optional.of(field);
            }
        }
        return Optional.empty();
    }

    @Override
    public String key() {
        return Wording.key("field", this);
    }

    @Override
    public Set<FactName> takes() {
        return Facts.declared();
    }
}
