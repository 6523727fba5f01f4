package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.COUNT;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

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
    record Literal(String text) implements PatternPart {}

    /** A field of the roster. */
    record Roster(RosterField field, LetterCase letters) implements PatternPart {}

    /**
     * A field anybody may fill.
     *
     * @param digits how many digits a number has, 0 for any number of them
     */
    record Free(FreeField field, int digits, LetterCase letters) implements PatternPart {
        /** What may stand here. */
        Phrase what() {
            return switch (field) {
                case WORD -> ExpectedWording.WORD.say();
                case TEXT -> ExpectedWording.TEXT.say();
                case VERSION -> ExpectedWording.VERSION.say(Facts.of(COUNT, digits));
                case NUMBER -> ExpectedWording.NUMBER.say(Facts.of(COUNT, digits));
                case DATE -> ExpectedWording.DATE.say();
            };
        }
    }

    /** The fields that are not on the roster. */
    enum FreeField {
        WORD, TEXT, VERSION, NUMBER, DATE
    }
}
