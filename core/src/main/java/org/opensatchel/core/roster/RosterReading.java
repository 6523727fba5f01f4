package org.opensatchel.core.roster;

import java.util.List;
import java.util.Map;

/**
 * A roster file, read: its students when nothing is wrong with it, else everything that is.
 *
 * @param columns what each column that is used was taken for, by its heading
 */
public record RosterReading(List<RosterLine> lines, List<RosterFault> faults, Map<String, RosterColumn> columns) {

    public RosterReading {
        lines = List.copyOf(lines);
        faults = List.copyOf(faults);
    }

    public boolean isGood() {
        return faults.isEmpty();
    }
}
