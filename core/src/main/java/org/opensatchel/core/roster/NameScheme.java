package org.opensatchel.core.roster;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/**
 * How a course system names what it gives out, written like the name patterns of kits: literal text and fields in braces. Fields of the
 * roster tell who it is; {@code {text}} stands for anything.
 */
public final class NameScheme {

    private static final java.util.regex.Pattern FIELD = java.util.regex.Pattern.compile("\\{([a-z]+)(?::[a-z0-9]+)?\\}");
    private static final int LONGEST = 200;

    private final Pattern pattern;
    private final List<Optional<RosterField>> fields;

    private NameScheme(Pattern pattern, List<Optional<RosterField>> fields) {
        this.pattern = pattern;
        this.fields = fields;
    }

    /** Empty for a text that is no scheme: without a field that tells who it is, or too long. */
    public static Optional<NameScheme> read(String text) {
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        StringBuilder regex = new StringBuilder("^");
        List<Optional<RosterField>> fields = new ArrayList<>();
        java.util.regex.Matcher field = FIELD.matcher(text);
        int from = 0;
        while (field.find()) {
            regex.append(Pattern.quote(text.substring(from, field.start())));
            Optional<RosterField> known = known(field.group(1));
            regex.append(field.group(1).equals("number") || field.group(1).equals("version") ? "([0-9]+)" : "(.+?)");
            fields.add(known);
            from = field.end();
        }
        regex.append(Pattern.quote(text.substring(from))).append('$');
        boolean tells = fields.stream().flatMap(Optional::stream)
                .anyMatch(one -> one != RosterField.COURSE && one != RosterField.ASSIGNMENT);
        try {
            return tells ? Optional.of(new NameScheme(Pattern.compile(regex.toString(), Pattern.CASE_INSENSITIVE), fields))
                    : Optional.empty();
        } catch (PatternSyntaxException tooLarge) {
            return Optional.empty();
        }
    }

    private static Optional<RosterField> known(String word) {
        for (RosterField field : RosterField.values()) {
            if (field.name().toLowerCase(Locale.ROOT).equals(word)) {
                return Optional.of(field);
            }
        }
        return Optional.empty();
    }

    /** What a name says of whose it is; empty when it does not fit. */
    Optional<Map<RosterField, String>> said(String name) {
        Matcher matcher = pattern.matcher(name);
        if (!matcher.find()) {
            return Optional.empty();
        }
        Map<RosterField, String> said = new EnumMap<>(RosterField.class);
        for (int i = 0; i < fields.size(); i++) {
            String value = matcher.group(i + 1);
            fields.get(i).ifPresent(field -> said.put(field, value));
        }
        return Optional.of(said);
    }

    /** Whether all that a name says is so of somebody; accents, capitals and blanks do not count. */
    boolean fits(String name, RosterFields of) {
        return said(name).filter(said -> said.entrySet().stream()
                .allMatch(one -> PlainName.of(of.values().getOrDefault(one.getKey(), "")).equals(PlainName.of(one.getValue()))))
                .isPresent();
    }
}
