package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
        Map<String, String> values = new LinkedHashMap<>();
        values.put("last name", line.last());
        values.put("first name", line.first());
        values.put("student number", line.id());
        values.put("section", line.section());
        values.put("sign-in", line.login());
        values.put("e-mail", line.email());
        values.put("team", line.team());
        List<RosterFault> out = new ArrayList<>();
        values.forEach((what, value) -> fault(what, value).ifPresent(message -> out.add(new RosterFault(file, line.row(), "", message))));
        if (out.isEmpty() && isNoName(line.last())) {
            out.add(new RosterFault(file, line.row(), "", "Nothing of the last name “" + line.last() + "” can stand in a file's name."));
        }
        return out;
    }

    private static Optional<String> fault(String what, String value) {
        int longest = switch (what) {
            case "student number" -> LONGEST_NUMBER;
            case "section" -> LONGEST_SECTION;
            case "sign-in", "e-mail" -> LONGEST_EMAIL;
            case "team" -> LONGEST_TEAM;
            default -> LONGEST_NAME;
        };
        Optional<Integer> hidden = value.codePoints().filter(RosterBounds::isHidden).boxed().findFirst();
        if (hidden.isPresent()) {
            return Optional.of("The %s holds a character that cannot be seen (U+%04X).".formatted(what, hidden.get()));
        }
        return value.length() > longest ? Optional.of("The " + what + " has more than " + longest + " characters.") : Optional.empty();
    }

    /** Control characters, marks that turn the reading direction, halves of characters. The joiners of some scripts are letters of theirs. */
    private static boolean isHidden(int point) {
        int type = Character.getType(point);
        boolean joiner = point == 0x200C || point == 0x200D;
        return (type == Character.FORMAT && !joiner) || type == Character.CONTROL || type == Character.SURROGATE || type == Character.LINE_SEPARATOR || type == Character.PARAGRAPH_SEPARATOR;
    }

    private static boolean isNoName(String name) {
        String form = FileNameForm.of(name, false);
        return form.isEmpty() || form.chars().allMatch(c -> c == '.');
    }
}
