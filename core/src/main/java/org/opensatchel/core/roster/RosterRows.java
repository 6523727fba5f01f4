package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.fact.Facts;

/** The rows of a roster file as they come: good ones are kept, each once; the others are set apart with what is wrong with them. */
final class RosterRows {

    private final String file;
    private final String numbers;
    private final List<RosterLine> lines = new ArrayList<>();
    private final List<RosterFault> faults = new ArrayList<>();
    private final List<RosterLine> aside = new ArrayList<>();
    private final List<RosterReading.Repeat> repeats = new ArrayList<>();
    /** Who was met already, by number, by address or sign-in, and by all that is said of them. */
    private final Map<String, Integer> seen = new HashMap<>();
    private final Map<RosterLine, Integer> whole = new HashMap<>();

    /**
     * @param file the file inside a bundle, empty for a file of its own
     * @param numbers the heading of the column of student numbers
     */
    RosterRows(String file, String numbers) {
        this.file = file;
        this.numbers = numbers;
    }

    /** A row that says who it is. */
    void add(RosterLine line) {
        Integer before = whole.putIfAbsent(line.at(0), line.row());
        if (before != null) {
            repeats.add(new RosterReading.Repeat(line, before));
            return;
        }
        List<RosterFault> wrong = RosterBounds.faults(line, file);
        if (wrong.isEmpty()) {
            wrong = twins(line);
        }
        faults.addAll(wrong);
        (wrong.isEmpty() ? lines : aside).add(line);
    }

    /** A row that does not. */
    void fault(RosterFault fault) {
        faults.add(fault);
    }

    /** The same number or sign-in as somebody above; whoever is met first has it. */
    private List<RosterFault> twins(RosterLine line) {
        List<RosterFault> out = new ArrayList<>();
        Set<String> own = new HashSet<>();
        twin(out, own, RosterColumn.ID, line.id(), line, numbers);
        boolean addressed = !line.email().isEmpty();
        twin(out, own, addressed ? RosterColumn.EMAIL : RosterColumn.LOGIN, addressed ? line.email() : line.login(), line, "");
        if (out.isEmpty()) {
            own.forEach(key -> seen.put(key, line.row()));
        }
        return out;
    }

    private void twin(List<RosterFault> out, Set<String> own, RosterColumn what, String value, RosterLine line, String column) {
        if (value.isEmpty()) {
            return;
        }
        String key = what + " " + value;
        Integer before = seen.get(key);
        own.add(key);
        if (before != null) {
            out.add(new RosterFault(file, line.row(), column,
                    RosterWording.TWICE.say(Facts.of(WHAT, what.say()).and(FOUND, value).and(NUMBER, before))));
        }
    }

    boolean isEmpty() {
        return lines.isEmpty() && faults.isEmpty();
    }

    RosterReading reading(List<RosterReading.Column> columns, boolean headless) {
        return new RosterReading(lines, faults, aside, repeats, columns, headless);
    }
}
