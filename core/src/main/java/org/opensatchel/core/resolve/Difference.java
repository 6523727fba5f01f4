package org.opensatchel.core.resolve;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.OTHERS;

import com.ibm.icu.text.SpoofChecker;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.base.path.NameFolding;

/**
 * What two names that are nearly the same differ in, exactly: told by the letters where they part, and where these look alike by what they
 * are made of (Unicode Technical Standard 39, section 4 on confusable characters).
 */
public enum Difference implements Wording {
    CAPITALS(FOUND, EXPECTED),
    ACCENT_FORM(FOUND, OTHERS),
    QUOTATION_MARKS(FOUND, EXPECTED),
    BLANKS(OTHERS),
    LIGATURE(FOUND, EXPECTED),
    LOOKALIKE(FOUND, OTHERS),
    ACCENTS(FOUND, EXPECTED),
    HYPHENS(OTHERS);

    private static final String QUOTES = "'\"\u2018\u2019\u201A\u201B\u201C\u201D\u201E\u2032\u2033\u00B4`\u00AB\u00BB\u2039\u203A";
    private static final String HYPHEN_LIKE = "-\u2010\u2011\u2012\u2013\u2014\u2212\u00AD_";
    private static final int LONGEST = 12;

    private final Set<FactName> takes;

    Difference(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("difference", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }

    /**
     * @param wanted the name that was asked for
     * @param there the name that is there
     */
    static Optional<Phrase> between(String wanted, String there) {
        int start = 0;
        while (start < wanted.length() && start < there.length() && wanted.charAt(start) == there.charAt(start)) {
            start++;
        }
        int end = 0;
        while (end < wanted.length() - start && end < there.length() - start
                && wanted.charAt(wanted.length() - 1 - end) == there.charAt(there.length() - 1 - end)) {
            end++;
        }
        // An accent of its own is told with its letter.
        while (start > 0 && (isMark(wanted, start) || isMark(there, start))) {
            start--;
        }
        String a = wanted.substring(start, wanted.length() - end);
        String b = there.substring(start, there.length() - end);
        return a.equals(b) || a.length() > LONGEST || b.length() > LONGEST ? Optional.empty() : told(a, b);
    }

    private static boolean isMark(String text, int at) {
        return at < text.length() && Character.getType(text.charAt(at)) == Character.NON_SPACING_MARK;
    }

    private static Optional<Phrase> told(String a, String b) {
        if (NameFolding.composed(a).equals(NameFolding.composed(b)) && !a.isEmpty()) {
            return Optional.of(ACCENT_FORM.say(Facts.of(FOUND, NameFolding.composed(a)).and(OTHERS, List.of(points(a), points(b)))));
        }
        if (isAll(a, QUOTES) && isAll(b, QUOTES)) {
            return Optional.of(QUOTATION_MARKS.say(Facts.of(FOUND, a).and(EXPECTED, b)));
        }
        if (isBlank(a) && isBlank(b)) {
            return Optional.of(BLANKS.say(Facts.of(OTHERS, List.of(points(a), points(b)))));
        }
        if (isAll(a, HYPHEN_LIKE) && isAll(b, HYPHEN_LIKE) && !a.isEmpty() && !b.isEmpty()) {
            return Optional.of(HYPHENS.say(Facts.of(OTHERS, List.of(points(a), points(b)))));
        }
        if (a.isEmpty() || b.isEmpty()) {
            return Optional.empty();
        }
        if (Normalizer.normalize(a, Normalizer.Form.NFKC).equals(Normalizer.normalize(b, Normalizer.Form.NFKC))) {
            return Optional.of(LIGATURE.say(Facts.of(FOUND, a).and(EXPECTED, b)));
        }
        if (NameFolding.folded(a).equals(NameFolding.folded(b))) {
            return Optional.of(CAPITALS.say(Facts.of(FOUND, a).and(EXPECTED, b)));
        }
        if (looksAlike(a, b)) {
            return Optional.of(LOOKALIKE.say(Facts.of(FOUND, b).and(OTHERS, List.of(points(a), points(b)))));
        }
        return NameFolding.loose(a).equals(NameFolding.loose(b)) && !NameFolding.loose(a).isEmpty()
                ? Optional.of(ACCENTS.say(Facts.of(FOUND, a).and(EXPECTED, b)))
                : Optional.empty();
    }

    private static boolean looksAlike(String a, String b) {
        return Checker.ONE.areConfusable(a, b) != 0;
    }

    /** Made when first asked for: it knows very many signs. */
    private static final class Checker {
        static final SpoofChecker ONE = new SpoofChecker.Builder().setChecks(SpoofChecker.CONFUSABLE).build();

        private Checker() {
        }
    }

    private static boolean isAll(String text, String signs) {
        return !text.isEmpty() && text.chars().allMatch(c -> signs.indexOf(c) >= 0);
    }

    private static boolean isBlank(String text) {
        return text.codePoints().allMatch(c -> Character.isWhitespace(c) || Character.getType(c) == Character.SPACE_SEPARATOR
                || Character.getType(c) == Character.FORMAT);
    }

    /** What a text is made of; nothing has no sign to show. */
    private static String points(String text) {
        return text.isEmpty() ? "–"
                : text.codePoints().mapToObj(c -> String.format(Locale.ROOT, "U+%04X", c)).collect(Collectors.joining(" "));
    }
}
