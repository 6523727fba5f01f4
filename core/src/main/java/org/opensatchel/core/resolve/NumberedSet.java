package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;

/**
 * Many files behind one name: numbered pictures ({@code shot.####.png}, {@code shot.%04d.png}, {@code shot.[0001-0096].png}),
 * tiles ({@code wood.<UDIM>.png}) and the segments of a stream ({@code seg-$Number$.m4s}).
 *
 * @param before what stands before the number, in the form in which names are compared
 * @param after what stands after it
 * @param counted whether the numbers follow one another, so that one can be missing
 * @param first the first number, where the name says so; else -1
 * @param last the last one
 */
public record NumberedSet(String before, String after, boolean counted, long first, long last) {

    private static final int MOST_DIGITS = 15;
    /** A URI's {@code %04d} is undone to a control character and a d: no name holds one otherwise. */
    private static final Pattern COUNTED = Pattern
            .compile("#{2,}|%0?[0-9]{0,2}d|[\\x01-\\x09]d|\\$(?:Number|SubNumber)(?:%0?[0-9]{0,2}d|[\\x01-\\x09]d)?\\$");
    private static final Pattern RANGE = Pattern.compile("\\[([0-9]{1,15})-([0-9]{1,15})]");
    private static final Pattern LOOSE = Pattern.compile("(?i)<UDIM>|<UVTILE>|\\$Time(?:%0?[0-9]{0,2}d|[\\x01-\\x09]d)?\\$");
    private static final Pattern TILE = Pattern.compile("u[0-9]{1,3}_v[0-9]{1,3}|[0-9]{1,15}");

    /** The set a name stands for; empty when it is one file's name. */
    public static Optional<NumberedSet> in(String name) {
        if (!mayBeSet(name)) {
            return Optional.empty();
        }
        Matcher range = RANGE.matcher(name);
        if (range.find()) {
            return Optional.of(of(name, range, true, Long.parseLong(range.group(1)), Long.parseLong(range.group(2))));
        }
        Matcher counted = COUNTED.matcher(name);
        if (counted.find()) {
            return Optional.of(of(name, counted, true, -1, -1));
        }
        Matcher loose = LOOSE.matcher(name);
        return loose.find() ? Optional.of(of(name, loose, false, -1, -1)) : Optional.empty();
    }

    private static boolean mayBeSet(String name) {
        for (int i = 0; i < name.length(); i++) {
            char c = name.charAt(i);
            if (c <= 9 || c == '#' || c == '%' || c == '$' || c == '[' || c == '<') {
                return true;
            }
        }
        return false;
    }

    private static NumberedSet of(String name, Matcher at, boolean counted, long first, long last) {
        return new NumberedSet(NameFolding.composed(name.substring(0, at.start())), NameFolding.composed(name.substring(at.end())), counted,
                first, last);
    }

    /** The number in a file's name as it is written; empty when the file is none of the set. */
    public Optional<String> number(String name) {
        String plain = NameFolding.composed(name);
        if (plain.length() <= before.length() + after.length() || !plain.startsWith(before) || !plain.endsWith(after)) {
            return Optional.empty();
        }
        String number = plain.substring(before.length(), plain.length() - after.length());
        boolean fits = counted ? number.length() <= MOST_DIGITS && number.chars().allMatch(c -> c >= '0' && c <= '9')
                : TILE.matcher(number).matches();
        return fits ? Optional.of(number) : Optional.empty();
    }

    /**
     * The name that a set really has, of which a file is one when letter case is overlooked.
     *
     * @param mark what stands for the number
     */
    Optional<String> realName(String file, String mark) {
        String plain = NameFolding.composed(file);
        int end = plain.length() - after.length();
        boolean alike = end > before.length() && NameFolding.folded(plain.substring(0, before.length())).equals(NameFolding.folded(before))
                && NameFolding.folded(plain.substring(end)).equals(NameFolding.folded(after));
        if (!alike) {
            return Optional.empty();
        }
        return new NumberedSet(plain.substring(0, before.length()), plain.substring(end), counted, first, last).number(file)
                .map(number -> plain.substring(0, before.length()) + mark + plain.substring(end));
    }

    /**
     * The numbers that are missing, as ranges ({@code 0017-0019}). A set that takes only every second or tenth number has
     * no gaps between them.
     */
    List<String> gaps(List<ProjectPath> files) {
        if (!counted || files.isEmpty()) {
            return List.of();
        }
        TreeMap<Long, String> numbers = new TreeMap<>();
        files.forEach(file -> number(file.name()).ifPresent(text -> numbers.put(Long.parseLong(text), text)));
        long step = 0;
        for (Long number : numbers.keySet()) {
            step = gcd(step, number - numbers.firstKey());
        }
        // Two numbers alone do not make a rhythm.
        step = numbers.size() < 4 || step == 0 ? 1 : step;
        int digits = numbers.firstEntry().getValue().length();
        List<String> gaps = new ArrayList<>();
        long expected = first >= 0 ? first : numbers.firstKey();
        for (Long number : numbers.keySet()) {
            gap(gaps, expected, number - step, digits);
            expected = number + step;
        }
        if (last >= 0) {
            gap(gaps, expected, last, digits);
        }
        return gaps;
    }

    private static void gap(List<String> gaps, long from, long to, int digits) {
        if (from <= to) {
            String first = String.format(Locale.ROOT, "%0" + digits + "d", from);
            gaps.add(from == to ? first : first + "-" + String.format(Locale.ROOT, "%0" + digits + "d", to));
        }
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
