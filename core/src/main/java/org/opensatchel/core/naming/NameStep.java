package org.opensatchel.core.naming;

import org.opensatchel.base.fact.Phrase;

/**
 * One step of a pattern laid out for testing: a set of characters of which one is taken, or any number when it loops.
 *
 * @param kind which characters it takes
 * @param literal the character itself where the kind is a literal
 * @param loops whether it takes any number of characters, none included
 * @param what what stands here
 */
record NameStep(Kind kind, int literal, boolean loops, Phrase what) {

    enum Kind {
        LITERAL, DIGIT, MONTH_TENS, DAY_TENS, WORD, LOWER_WORD, UPPER_WORD, TEXT, LOWER_TEXT, UPPER_TEXT
    }

    boolean takes(int point) {
        return switch (kind) {
            case LITERAL -> point == literal;
            case DIGIT -> point >= '0' && point <= '9';
            case MONTH_TENS -> point == '0' || point == '1';
            case DAY_TENS -> point >= '0' && point <= '3';
            case WORD -> isWord(point);
            case LOWER_WORD -> isWord(point) && Character.toLowerCase(point) == point;
            case UPPER_WORD -> isWord(point) && Character.toUpperCase(point) == point;
            default -> takesText(point);
        };
    }

    /** Whether some character is taken by both. */
    boolean meets(NameStep other) {
        if (kind == Kind.LITERAL) {
            return other.takes(literal);
        }
        // A digit is in every set that is not one single character, and 0 is in the narrowest of them.
        return other.kind != Kind.LITERAL || takes(other.literal);
    }

    private boolean takesText(int point) {
        return point != '/' && switch (kind) {
            case LOWER_TEXT -> Character.toLowerCase(point) == point;
            case UPPER_TEXT -> Character.toUpperCase(point) == point;
            default -> true;
        };
    }

    /** The character to put here when it is missing, or −1 when it would have to be invented. */
    int filler() {
        return switch (kind) {
            case LITERAL -> literal;
            case DIGIT -> '0';
            default -> -1;
        };
    }

    private static boolean isWord(int point) {
        return Character.isLetterOrDigit(point) || point == '-' || Character.getType(point) == Character.NON_SPACING_MARK
                || Character.getType(point) == Character.COMBINING_SPACING_MARK;
    }
}
