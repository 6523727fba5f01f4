package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.VERSION;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.naming.PatternPart.Free;
import org.opensatchel.core.naming.PatternPart.FreeField;
import org.opensatchel.core.naming.PatternPart.LetterCase;
import org.opensatchel.core.naming.PatternPart.Literal;
import org.opensatchel.core.naming.PatternPart.Roster;

/** Reads the text of a name pattern into its parts, or says where it cannot be read. */
final class PatternReader {

    private static final int MAX_DIGITS = 12;

    private final String text;
    private final List<PatternPart> parts = new ArrayList<>();
    private int at;

    PatternReader(String text) {
        this.text = text;
    }

    /** The parts; the fault, if there is one, is thrown to {@link NamePattern#read} and goes no further. */
    List<PatternPart> read() throws Unreadable {
        while (at < text.length()) {
            int open = text.indexOf('{', at);
            int stray = text.indexOf('}', at);
            if (stray >= 0 && (open < 0 || stray < open)) {
                throw unreadable(stray, PatternWording.STRAY_BRACE.say());
            }
            if (open < 0) {
                parts.add(new Literal(text.substring(at)));
                break;
            }
            if (open > at) {
                parts.add(new Literal(text.substring(at, open)));
            }
            int close = text.indexOf('}', open);
            if (close < 0) {
                throw unreadable(open, PatternWording.OPEN_BRACE.say());
            }
            parts.add(field(open, text.substring(open + 1, close)));
            at = close + 1;
        }
        return parts;
    }

    private PatternPart field(int open, String inside) throws Unreadable {
        int colon = inside.indexOf(':');
        String word = colon < 0 ? inside : inside.substring(0, colon);
        Optional<String> option = colon < 0 ? Optional.empty() : Optional.of(inside.substring(colon + 1));
        Optional<RosterField> roster = RosterField.of(word);
        if (roster.isPresent()) {
            return new Roster(roster.get(), letters(open, word, option));
        }
        for (FreeField free : FreeField.values()) {
            if (free.name().toLowerCase(Locale.ROOT).equals(word)) {
                return free(open, free, word, option);
            }
        }
        throw unreadable(open, PatternWording.UNKNOWN_FIELD.say(Facts.of(PATTERN, "{" + word + "}")));
    }

    private Free free(int open, FreeField field, String word, Optional<String> option) throws Unreadable {
        return switch (field) {
            case VERSION, NUMBER -> new Free(field, digits(open, word, option), LetterCase.AS_IS);
            case WORD, TEXT -> new Free(field, 0, letters(open, word, option));
            case DATE -> {
                if (option.isPresent()) {
                    throw unreadable(open, PatternWording.DATE_OPTION.say());
                }
                yield new Free(field, 0, LetterCase.AS_IS);
            }
        };
    }

    private int digits(int open, String word, Optional<String> option) throws Unreadable {
        if (option.isEmpty()) {
            return 0;
        }
        String digits = option.get();
        boolean number = !digits.isEmpty() && digits.length() <= 3 && digits.chars().allMatch(c -> c >= '0' && c <= '9');
        int count = number ? Integer.parseInt(digits) : 0;
        if (count < 1 || count > MAX_DIGITS) {
            throw unreadable(open, PatternWording.DIGITS
                    .say(Facts.of(PATTERN, "{" + word + ":" + digits + "}").and(EXPECTED, "{" + word + ":2}").and(MOST, MAX_DIGITS)));
        }
        return count;
    }

    private LetterCase letters(int open, String word, Optional<String> option) throws Unreadable {
        if (option.isEmpty()) {
            return LetterCase.AS_IS;
        }
        return switch (option.get()) {
            case "lower" -> LetterCase.LOWER;
            case "upper" -> LetterCase.UPPER;
            default -> throw unreadable(open, PatternWording.UNKNOWN_OPTION.say(Facts.of(PATTERN, "{" + word + ":" + option.get() + "}")));
        };
    }

    private Unreadable unreadable(int position, Phrase what) {
        return new Unreadable(new PatternFault(text.codePointCount(0, position), what));
    }

    /** Carries the fault out of the reader. */
    static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;
        private final transient PatternFault fault;

        Unreadable(PatternFault fault) {
            super(fault.what().key());
            this.fault = fault;
        }

        PatternFault fault() {
            return fault;
        }
    }
}
