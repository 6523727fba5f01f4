package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.naming.FileNameForm;

/** What a line of a roster may hold: everything that would fail later, or show as something else than it is, is told with its row. */
final class RosterBounds {

    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_NUMBER = 64;
    private static final int LONGEST_SECTION = 60;
    /** Of an address, RFC 5321, section 4.5.3.1; a sign-in is made of what stands before its @. */
    private static final int LONGEST_EMAIL = 254;
    private static final int LONGEST_TEAM = 40;

    private RosterBounds() {
    }

    /** Everything that is wrong with a line. */
    static List<RosterFault> faults(RosterLine line, String file) {
        Map<RosterColumn, String> values = new EnumMap<>(RosterColumn.class);
        values.put(RosterColumn.LAST, line.last());
        values.put(RosterColumn.FIRST, line.first());
        values.put(RosterColumn.ID, line.id());
        values.put(RosterColumn.SECTION, line.section());
        values.put(RosterColumn.LOGIN, line.login());
        values.put(RosterColumn.EMAIL, line.email());
        values.put(RosterColumn.TEAM, line.team());
        List<RosterFault> out = new ArrayList<>();
        values.forEach((what, value) -> fault(what, value).ifPresent(message -> out.add(new RosterFault(file, line.row(), "", message))));
        if (out.isEmpty() && isNoName(line.last())) {
            out.add(new RosterFault(file, line.row(), "", RosterWording.NO_FILE_NAME.say(Facts.of(PERSON, line.last()))));
        }
        return out;
    }

    private static Optional<Phrase> fault(RosterColumn what, String value) {
        int longest = switch (what) {
            case ID -> LONGEST_NUMBER;
            case SECTION -> LONGEST_SECTION;
            case LOGIN, EMAIL -> LONGEST_EMAIL;
            case TEAM -> LONGEST_TEAM;
            default -> LONGEST_NAME;
        };
        Optional<Integer> hidden = value.codePoints().filter(RosterBounds::isHidden).boxed().findFirst();
        if (hidden.isPresent()) {
            return Optional.of(
                    RosterWording.HIDDEN_CHARACTER
                            .say(Facts.of(WHAT, what.say()).and(CODE_POINT, String.format(Locale.ROOT, "U+%04X", hidden.get()))));
        }
        return value.length() > longest ? Optional.of(RosterWording.TOO_LONG.say(Facts.of(WHAT, what.say()).and(MOST, longest)))
                : Optional.empty();
    }

    /**
     * Control characters, marks that turn the reading direction, halves of characters. The joiners of some scripts are letters of theirs.
     */
    private static boolean isHidden(int point) {
        int type = Character.getType(point);
        boolean joiner = point == 0x200C || point == 0x200D;
        return (type == Character.FORMAT && !joiner) || type == Character.CONTROL || type == Character.SURROGATE
                || type == Character.LINE_SEPARATOR || type == Character.PARAGRAPH_SEPARATOR;
    }

    private static boolean isNoName(String name) {
        String form = FileNameForm.of(name, false);
        return form.isEmpty() || form.chars().allMatch(c -> c == '.');
    }
}
