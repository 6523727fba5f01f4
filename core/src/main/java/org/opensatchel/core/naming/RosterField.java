package org.opensatchel.core.naming;

import java.util.Locale;
import java.util.Optional;

/** What is known of a student or team from the roster, and may stand in a name pattern. */
public enum RosterField {
    LAST("last name"), FIRST("first name"), ID("student number"), COURSE("course"), SECTION("section"), ASSIGNMENT("assignment"), TEAM("team");

    private final String phrase;

    RosterField(String phrase) {
        this.phrase = phrase;
    }

    /** What it is called in a sentence. */
    public String phrase() {
        return phrase;
    }

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
}
