package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.VERSION;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.time.YearMonth;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.naming.NameStep.Kind;
import org.opensatchel.core.naming.PatternPart.Free;
import org.opensatchel.core.naming.PatternPart.FreeField;
import org.opensatchel.core.naming.PatternPart.LetterCase;
import org.opensatchel.core.naming.PatternPart.Literal;
import org.opensatchel.core.naming.PatternPart.Roster;

/**
 * Literal text and fields in braces. The same pattern makes names and tests them.
 *
 * <p>A roster field that is not given is not judged: any text stands for it. Names are compared composed. Who has one name has it as the
 * last one, and no first one.
 */
public final class NamePattern {

    private static final Pattern DATE = Pattern.compile("([0-9]{4})-([0-9]{2})-([0-9]{2})");
    /** No field but free text takes it. */
    private static final char NO_SIGN = '\uFFFF';
    private static final Pattern DIGITS = Pattern.compile("[0-9]+");
    private static final Pattern VERSION_PART = Pattern.compile("[-_. ]*[a-zA-Z]{0,7}[-_. ]*\\{version(:[0-9])?\\}");
    private static final Pattern SEPARATORS_BEFORE = Pattern.compile("^[-_. ,+~]+");
    private static final Pattern SEPARATORS_AFTER = Pattern.compile("[-_. ,+~]+$");
    /** A longer number is no version. */
    private static final int MOST_DIGITS = 9;

    private final String text;
    private final List<PatternPart> parts;

    private NamePattern(String text, List<PatternPart> parts) {
        this.text = text;
        this.parts = List.copyOf(parts);
    }

    /** The result of reading a pattern's text: exactly one of the two is there. */
    public record Reading(Optional<NamePattern> pattern, Optional<PatternFault> fault) {}

    public static Reading read(String text) {
        try {
            return new Reading(Optional.of(new NamePattern(text, new PatternReader(text).read())), Optional.empty());
        } catch (PatternReader.Unreadable unreadable) {
            return new Reading(Optional.empty(), Optional.of(unreadable.fault()));
        }
    }

    /** The pattern of a text known to be good; anything else is a programming error. */
    public static NamePattern of(String text) {
        return read(text).pattern().orElseThrow(() -> new IllegalArgumentException("not a name pattern: " + text));
    }

    public String text() {
        return text;
    }

    /** The roster fields that stand in this pattern, in order. */
    public List<RosterField> rosterFields() {
        return parts.stream().filter(Roster.class::isInstance).map(part -> ((Roster) part).field()).distinct().toList();
    }

    /** Whether the roster alone makes the whole name. */
    public boolean isMadeByRoster() {
        return parts.stream().noneMatch(Free.class::isInstance);
    }

    /** The fields a name cannot be made without, because they are absent or empty. */
    public List<RosterField> missing(RosterFields fields) {
        return rosterFields().stream().filter(field -> fields.fileName(field, false).orElse("").isEmpty())
                .filter(field -> field != RosterField.FIRST || !fields.isOneName(false)).toList();
    }

    /** The name for a student or team; empty when a roster field is absent or empty, or a free field stands in the pattern. */
    public Optional<String> make(RosterFields fields, boolean ascii) {
        StringBuilder out = new StringBuilder();
        for (PatternPart part : partsFor(fields, ascii)) {
            if (part instanceof Literal literal) {
                out.append(literal.text());
                continue;
            }
            if (!(part instanceof Roster roster)) {
                return Optional.empty();
            }
            String value = fields.fileName(roster.field(), ascii).orElse("");
            if (value.isEmpty()) {
                return Optional.empty();
            }
            out.append(roster.letters().apply(value));
        }
        return Optional.of(NameFolding.composed(out.toString()));
    }

    /**
     * The parts as they are for somebody. Who has one name is called by it alone: the first name falls away with the signs that part it from
     * what stands before, or, where no last name stands in the pattern, is that one name.
     */
    private List<PatternPart> partsFor(RosterFields fields, boolean ascii) {
        if (!fields.isOneName(ascii)) {
            return parts;
        }
        boolean hasLast = parts.stream().anyMatch(part -> part instanceof Roster roster && roster.field() == RosterField.LAST);
        List<PatternPart> out = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            if (!(parts.get(i) instanceof Roster roster) || roster.field() != RosterField.FIRST) {
                boolean afterFirst = i == 1 && hasLast && parts.get(0) instanceof Roster before && before.field() == RosterField.FIRST;
                out.add(afterFirst && parts.get(i) instanceof Literal literal ? new Literal(SEPARATORS_BEFORE.matcher(literal.text())
                        .replaceFirst("")) : parts.get(i));
            } else if (!hasLast) {
                out.add(new Roster(RosterField.LAST, roster.letters()));
            } else if (!out.isEmpty() && out.get(out.size() - 1) instanceof Literal literal) {
                out.set(out.size() - 1, new Literal(SEPARATORS_AFTER.matcher(literal.text()).replaceFirst("")));
            }
        }
        return out;
    }

    /** The shortest name this makes, free fields filled with as little as they take; empty when a roster field is absent or empty. */
    public Optional<String> shortest(RosterFields fields, boolean ascii, boolean capitals) {
        StringBuilder out = new StringBuilder();
        for (PatternPart part : partsFor(fields, ascii)) {
            if (part instanceof Literal literal) {
                out.append(literal.text());
            } else if (part instanceof Roster roster) {
                String value = fields.fileName(roster.field(), ascii).orElse("");
                if (value.isEmpty()) {
                    return Optional.empty();
                }
                out.append(roster.letters().apply(value));
            } else if (part instanceof Free free) {
                boolean upper = free.letters() == LetterCase.UPPER || (capitals && free.letters() == LetterCase.AS_IS);
                out.append(shortest(free, upper));
            }
        }
        return Optional.of(NameFolding.composed(out.toString()));
    }

    /**
     * A name as this student's could be, for people who need not know what a pattern is: their own fields stand in it, and an example where
     * they may choose. What is not known of them is an ellipsis.
     */
    public String example(RosterFields fields, boolean ascii) {
        StringBuilder out = new StringBuilder();
        for (PatternPart part : partsFor(fields, ascii)) {
            if (part instanceof Literal literal) {
                out.append(literal.text());
            } else if (part instanceof Roster roster) {
                out.append(
                        fields.fileName(roster.field(), ascii).filter(value -> !value.isEmpty()).map(roster.letters()::apply).orElse("…"));
            } else if (part instanceof Free free) {
                out.append(example(free));
            }
        }
        return NameFolding.composed(out.toString());
    }

    private static String example(Free free) {
        return switch (free.field()) {
            case WORD, TEXT -> free.letters().apply("lantern");
            case VERSION, NUMBER, DATE -> shortest(free, false);
        };
    }

    private static String shortest(Free free, boolean upper) {
        return switch (free.field()) {
            case WORD, TEXT -> upper ? "A" : "a";
            case VERSION, NUMBER -> "0".repeat(Math.max(0, free.digits() - 1)) + "1";
            case DATE -> "2026-01-31";
        };
    }

    /** Whether a version number stands in this pattern. */
    public boolean hasVersion() {
        return parts.stream().anyMatch(NamePattern::isVersion);
    }

    /**
     * A version number in a name.
     *
     * @param rest the name without it
     */
    public record Version(String rest, long number) {}

    /** The version number in a name that fits; empty when it does not, or the pattern has none. */
    public Optional<Version> version(String name, RosterFields fields, boolean ascii) {
        Matcher digits = DIGITS.matcher(name);
        while (hasVersion() && fits(name, fields, ascii) && digits.find()) {
            // The number may touch other digits, like those of an assignment: longer ones first.
            for (int length = Math.min(digits.end() - digits.start(), MOST_DIGITS); length > 0; length--) {
                for (int at = digits.start(); at + length <= digits.end(); at++) {
                    String number = name.substring(at, at + length);
                    if (withVersion(number).test(name, fields, ascii).fits()) {
                        return Optional.of(new Version(name.substring(0, at) + name.substring(at + length), Long.parseLong(number)));
                    }
                }
            }
        }
        return Optional.empty();
    }

    private NamePattern withVersion(String number) {
        return new NamePattern(text, parts.stream().map(part -> isVersion(part) ? new Literal(number) : part).toList());
    }

    /**
     * The pattern without its version and what leads up to it, like the {@code _v} in {@code _v01}; empty when there is none, or nothing
     * else.
     */
    public Optional<NamePattern> withoutVersion() {
        return hasVersion() ? Optional.of(VERSION_PART.matcher(text).replaceAll("")).filter(left -> !left.isEmpty())
                .flatMap(left -> read(left).pattern()) : Optional.empty();
    }

    /** The number in a name that fits, as it is written; empty when it does not, or the pattern has none. */
    public Optional<String> number(String name, RosterFields fields, boolean ascii) {
        boolean numbered = parts.stream().anyMatch(NamePattern::isNumber);
        Matcher digits = DIGITS.matcher(name);
        while (numbered && fits(name, fields, ascii) && digits.find()) {
            String number = digits.group();
            if (number.length() <= MOST_DIGITS) {
                List<PatternPart> told = parts.stream().map(part -> isNumber(part) ? new Literal(number) : part).toList();
                if (new NamePattern(text, told).test(name, fields, ascii).fits()) {
                    return Optional.of(number);
                }
            }
        }
        return Optional.empty();
    }

    private static boolean isNumber(PatternPart part) {
        return part instanceof Free free && free.field() == FreeField.NUMBER;
    }

    private static boolean isVersion(PatternPart part) {
        return part instanceof Free free && free.field() == FreeField.VERSION;
    }

    /** Whether some name fits this pattern and another one, for one student. Both are walked at once. */
    public boolean meets(NamePattern other, RosterFields fields, boolean ascii) {
        List<NameStep> mine = steps(fields, ascii);
        List<NameStep> theirs = other.steps(fields, ascii);
        int width = theirs.size() + 1;
        BitSet seen = new BitSet();
        Deque<Integer> open = new ArrayDeque<>(List.of(0));
        while (!open.isEmpty()) {
            int at = open.pop();
            if (seen.get(at)) {
                continue;
            }
            seen.set(at);
            int i = at / width;
            int j = at % width;
            if (i == mine.size() && j == theirs.size()) {
                return true;
            }
            NameStep a = i < mine.size() ? mine.get(i) : null;
            NameStep b = j < theirs.size() ? theirs.get(j) : null;
            if (a != null && a.loops()) {
                open.push(at + width);
            }
            if (b != null && b.loops()) {
                open.push(at + 1);
            }
            if (a != null && b != null && a.meets(b)) {
                open.push((a.loops() ? i : i + 1) * width + (b.loops() ? j : j + 1));
            }
        }
        return false;
    }

    /** Tests a name (without its extension where the pattern has none). */
    public NameVerdict test(String name, RosterFields fields, boolean ascii) {
        int[] points = NameFolding.composed(name).codePoints().toArray();
        List<NameStep> steps = steps(fields, ascii);
        NameVerdict result = new NameMatch(steps, points).result();
        return result.fits() && hasDate() ? dated(steps, NameFolding.composed(name)) : result;
    }

    /** A name that fits by its signs, looked at once more for days that no calendar has, like 30 February. */
    private static NameVerdict dated(List<NameStep> steps, String name) {
        StringBuilder possible = new StringBuilder(name);
        StringBuilder right = new StringBuilder(name);
        int first = -1;
        Matcher date = DATE.matcher(name);
        for (int from = 0; date.find(from); from = date.start() + 1) {
            int year = Integer.parseInt(date.group(1));
            int month = Integer.parseInt(date.group(2));
            int day = Integer.parseInt(date.group(3));
            boolean realMonth = month >= 1 && month <= 12;
            int last = YearMonth.of(year, realMonth ? month : 1).lengthOfMonth();
            if (!realMonth || day < 1 || day > last) {
                first = first < 0 ? date.start(realMonth ? 3 : 2) : first;
                possible.setCharAt(date.start(3), NO_SIGN);
                right.replace(date.start(2), date.end(3),
                        String.format(Locale.ROOT, "%02d-%02d", Math.max(1, Math.min(12, month)), Math.max(1, Math.min(last, day))));
            }
        }
        // Where something else than the date may take those signs, they are no date.
        if (first < 0 || new NameMatch(steps, possible.codePoints().toArray()).result().fits()) {
            return new NameVerdict.Fits();
        }
        return new NameVerdict.Differs(name.codePointCount(0, first), ExpectedWording.DATE.say(), Optional.of(right.toString()));
    }

    private boolean hasDate() {
        return parts.stream().anyMatch(part -> part instanceof Free free && free.field() == FreeField.DATE);
    }

    /** Whether {@link #test} would find the name right; quicker where the pattern is plain text. */
    public boolean fits(String name, RosterFields fields, boolean ascii) {
        if (parts.size() == 1 && parts.get(0) instanceof Literal literal) {
            return NameFolding.composed(literal.text()).equals(NameFolding.composed(name));
        }
        return test(name, fields, ascii).fits();
    }

    private List<NameStep> steps(RosterFields fields, boolean ascii) {
        List<NameStep> steps = new ArrayList<>();
        for (PatternPart part : partsFor(fields, ascii)) {
            if (part instanceof Literal literal) {
                literal(steps, literal.text(), Optional.empty());
            } else if (part instanceof Roster roster) {
                roster(steps, roster, fields.fileName(roster.field(), ascii));
            } else if (part instanceof Free free) {
                free(steps, free);
            }
        }
        return steps;
    }

    private static void literal(List<NameStep> steps, String text, Optional<RosterField> meaning) {
        String composed = NameFolding.composed(text);
        Facts letters = Facts.of(EXPECTED, composed);
        Phrase what = meaning.map(field -> ExpectedWording.FIELD_LETTERS.say(letters.and(WHAT, field.say())))
                .orElseGet(() -> ExpectedWording.LETTERS.say(letters));
        composed.codePoints().forEach(point -> steps.add(new NameStep(Kind.LITERAL, point, false, what)));
    }

    private static void roster(List<NameStep> steps, Roster roster, Optional<String> value) {
        if (value.isPresent() && !value.get().isEmpty()) {
            literal(steps, roster.letters().apply(value.get()), Optional.of(roster.field()));
            return;
        }
        Phrase any = ExpectedWording.FIELD.say(Facts.of(WHAT, roster.field().say()));
        Kind kind = kind(roster.letters(), Kind.TEXT, Kind.LOWER_TEXT, Kind.UPPER_TEXT);
        if (value.isEmpty()) {
            steps.add(new NameStep(kind, 0, false, any));
        }
        steps.add(new NameStep(kind, 0, true, any));
    }

    private static void free(List<NameStep> steps, Free free) {
        Phrase what = free.what();
        if (free.field() == FreeField.DATE) {
            date(steps, what);
            return;
        }
        Kind kind = switch (free.field()) {
            case WORD -> kind(free.letters(), Kind.WORD, Kind.LOWER_WORD, Kind.UPPER_WORD);
            case TEXT -> kind(free.letters(), Kind.TEXT, Kind.LOWER_TEXT, Kind.UPPER_TEXT);
            default -> Kind.DIGIT;
        };
        for (int i = 0; i < Math.max(1, free.digits()); i++) {
            steps.add(new NameStep(kind, 0, false, what));
        }
        if (free.digits() == 0) {
            steps.add(new NameStep(kind, 0, true, what));
        }
    }

    private static void date(List<NameStep> steps, Phrase what) {
        for (char mark : "DDDD-MD-TD".toCharArray()) {
            Kind kind = switch (mark) {
                case 'M' -> Kind.MONTH_TENS;
                case 'T' -> Kind.DAY_TENS;
                case '-' -> Kind.LITERAL;
                default -> Kind.DIGIT;
            };
            steps.add(new NameStep(kind, mark, false, what));
        }
    }

    private static Kind kind(LetterCase letters, Kind any, Kind lower, Kind upper) {
        return switch (letters) {
            case AS_IS -> any;
            case LOWER -> lower;
            case UPPER -> upper;
        };
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof NamePattern pattern && pattern.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public String toString() {
        return text;
    }
}
