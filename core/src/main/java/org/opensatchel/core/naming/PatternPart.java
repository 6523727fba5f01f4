package org.opensatchel.core.naming;

/** One part of a name pattern. */
sealed interface PatternPart {

    /** Whether letters are forced to one case. */
    enum LetterCase {
        AS_IS, LOWER, UPPER;

        String apply(String text) {
            return switch (this) {
                case AS_IS -> text;
                case LOWER -> text.toLowerCase(java.util.Locale.ROOT);
                case UPPER -> text.toUpperCase(java.util.Locale.ROOT);
            };
        }
    }

    /** Text that stands for itself. */
    record Literal(String text) implements PatternPart {
    }

    /** A field of the roster. */
    record Roster(RosterField field, LetterCase letters) implements PatternPart {
    }

    /**
     * A field anybody may fill.
     *
     * @param digits how many digits a number has, 0 for any number of them
     */
    record Free(FreeField field, int digits, LetterCase letters) implements PatternPart {
    }

    /** The fields that are not on the roster. */
    enum FreeField {
        WORD("a word (letters, digits, hyphens)"), TEXT("some text"), VERSION("a version number"), NUMBER("a number"), DATE("a date like 2026-03-14");

        private final String phrase;

        FreeField(String phrase) {
            this.phrase = phrase;
        }

        String phrase() {
            return phrase;
        }
    }
}
