package org.opensatchel.cli;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/** Reads {@code --for last=Marsh,first=Ottoline}; a comma inside a value is written {@code \,}. */
final class ForFields {

    private ForFields() {
    }

    static RosterFields read(List<String> options) throws Refusal {
        Map<RosterField, String> values = new EnumMap<>(RosterField.class);
        for (String option : options) {
            for (String pair : split(option)) {
                add(pair, values);
            }
        }
        return new RosterFields(values);
    }

    private static void add(String pair, Map<RosterField, String> values) throws Refusal {
        int equals = pair.indexOf('=');
        if (equals < 1) {
            throw new Refusal("for.unwritten", pair);
        }
        String word = pair.substring(0, equals).strip();
        RosterField field = RosterField.of(word).orElseThrow(
                () -> new Refusal("for.unknown", word, String.join(", ", Stream.of(RosterField.values()).map(RosterField::word).toList())));
        if (values.put(field, pair.substring(equals + 1)) != null) {
            throw new Refusal("for.twice", word);
        }
    }

    private static List<String> split(String option) {
        List<String> pairs = new ArrayList<>();
        StringBuilder pair = new StringBuilder();
        for (int i = 0; i < option.length(); i++) {
            char c = option.charAt(i);
            if (c == '\\' && i + 1 < option.length() && option.charAt(i + 1) == ',') {
                pair.append(',');
                i++;
            } else if (c == ',') {
                pairs.add(pair.toString());
                pair.setLength(0);
            } else {
                pair.append(c);
            }
        }
        pairs.add(pair.toString());
        return pairs;
    }
}
