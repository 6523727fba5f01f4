package org.opensatchel.core.example;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/** Tells which words of an example's names stand for something that differs from student to student. */
final class NameTokens {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}\\p{M}-]+");
    private static final Pattern COURSE = Pattern.compile("\\p{Lu}{2,5}[0-9]{2,4}");
    private static final Pattern ASSIGNMENT = Pattern.compile("\\p{Lu}[0-9]{1,2}");
    private static final Pattern NAME = Pattern.compile("\\p{Lu}[\\p{L}\\p{M}-]+");
    private static final Pattern DATE = Pattern.compile("(?<![0-9])[0-9]{4}-(?:0[0-9]|1[0-2])-[0-3][0-9](?![0-9])");
    private static final Pattern VERSION = Pattern.compile("(?<=^|[_\\- .])([vV])([0-9]{1,6})(?=$|[_\\- .])");
    private static final Pattern DIGITS = Pattern.compile("[0-9]{1,9}");

    /** The words of the root that stand for a field, by the field. */
    private final Map<RosterField, String> values = new EnumMap<>(RosterField.class);

    /**
     * @param root the example's own root name
     * @param given fields that are known of the example
     */
    NameTokens(String root, RosterFields given) {
        given.values().keySet().forEach(
                field -> given.fileName(field, false).filter(value -> !value.isEmpty()).ifPresent(value -> values.put(field, value)));
        if (values.isEmpty()) {
            guess(root);
        }
    }

    /** Two names at least have to follow one another: a single capital word may be anything. */
    private void guess(String root) {
        List<String> names = new ArrayList<>();
        Map<RosterField, String> found = new LinkedHashMap<>();
        Matcher words = WORD.matcher(root.replace('_', ' '));
        while (words.find()) {
            String word = words.group();
            if (COURSE.matcher(word).matches()) {
                found.putIfAbsent(RosterField.COURSE, word);
            } else if (ASSIGNMENT.matcher(word).matches()) {
                found.putIfAbsent(RosterField.ASSIGNMENT, word);
            } else if (NAME.matcher(word).matches()) {
                names.add(word);
            }
        }
        if (names.size() == 2 && !found.isEmpty()) {
            values.putAll(found);
            values.put(RosterField.LAST, names.get(0));
            values.put(RosterField.FIRST, names.get(1));
        }
    }

    boolean knowsStudent() {
        return values.containsKey(RosterField.LAST) || values.containsKey(RosterField.TEAM) || values.containsKey(RosterField.ID);
    }

    /** What is known of the example's student. */
    RosterFields fields() {
        return new RosterFields(values);
    }

    /** A name as a pattern: the words that are fields, then dates, then version numbers; everything else as it stands. */
    String generalised(String name) {
        String out = literal(name);
        for (Map.Entry<RosterField, String> value : values.entrySet()) {
            out = replaced(out, value.getValue(), "{" + value.getKey().word() + "}");
        }
        out = DATE.matcher(out).replaceAll("{date}");
        return VERSION.matcher(out).replaceAll(found -> found.group(1) + "{version:" + found.group(2).length() + "}");
    }

    /** A name with every run of digits that is in no field yet made a number; what names of one series share. */
    static String numbered(String pattern) {
        StringBuilder out = new StringBuilder();
        Matcher digits = DIGITS.matcher(pattern);
        int at = 0;
        while (digits.find()) {
            boolean inField = pattern.lastIndexOf('{', digits.start()) > pattern.lastIndexOf('}', digits.start());
            out.append(pattern, at, digits.start()).append(inField ? digits.group() : "{number:" + digits.group().length() + "}");
            at = digits.end();
        }
        return out.append(pattern.substring(at)).toString();
    }

    private static String literal(String name) {
        // Braces cannot stand for themselves in a pattern; such a name is generalised to any text.
        return name.indexOf('{') >= 0 || name.indexOf('}') >= 0 ? "{text}" : name;
    }

    /** Whole words only: a student called Art must not turn every Cartoon into a field. */
    private static String replaced(String text, String value, String field) {
        String plain = FileNameForm.of(value, false);
        if (plain.isEmpty()) {
            return text;
        }
        StringBuilder out = new StringBuilder();
        int at = 0;
        while (true) {
            int found = text.indexOf(plain, at);
            if (found < 0) {
                return out.append(text.substring(at)).toString();
            }
            int end = found + plain.length();
            boolean whole = (found == 0 || !Character.isLetterOrDigit(text.codePointBefore(found)))
                    && (end == text.length() || !Character.isLetterOrDigit(text.codePointAt(end)));
            boolean inField = text.lastIndexOf('{', found) > text.lastIndexOf('}', found);
            out.append(text, at, found).append(whole && !inField ? field : plain);
            at = end;
        }
    }
}
