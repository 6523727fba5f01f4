package org.opensatchel.formats.described.learn;

import java.util.Optional;
import org.opensatchel.formats.described.Slot.Writing;

/** How the values of a column are written, as far as those that lead somewhere show it. */
final class Writings {

    private final Column column;
    private boolean signs;
    private boolean slashes;
    private boolean backslashes;
    private Optional<String> mark = Optional.empty();

    Writings(Column column) {
        this.column = column;
        for (int i = 0; i < column.values().size(); i++) {
            Optional<Lead> lead = column.lead(i);
            if (lead.isPresent()) {
                String text = ValueTargets.readings(column.values().get(i).text()).getOrDefault(lead.get().decoding(), "");
                signs |= text.chars().anyMatch(c -> c == ' ' || c == '#' || c == '?' || c == '%' || c > 127);
                slashes |= lead.get().relative() && text.indexOf('/') >= 0;
                backslashes |= lead.get().relative() && text.indexOf('\\') >= 0;
                mark = mark.or(lead.get()::mark);
            }
        }
    }

    /** A value with a sign that would be encoded shows that it is not, or is; where none has one, nobody knows. */
    Writing writing() {
        return column.decoding().uri ? Writing.URI : signs ? Writing.PLAIN : Writing.EITHER;
    }

    /** Whether backslashes part folders here: where they do, or where nothing shows what does. */
    boolean backslashes() {
        return backslashes || !slashes;
    }

    Optional<String> mark() {
        return mark;
    }
}
