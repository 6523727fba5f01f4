package org.opensatchel.core.roster;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;

/**
 * A roster file, read: the students of its good rows, and what is wrong with the others.
 *
 * @param faults what is wrong with rows, which are set apart, or with the whole file, of which nothing is read then
 * @param aside those who were set apart, as far as their rows say who they are
 * @param repeats rows that say again what a row above them said, and count once
 * @param columns the columns of a table, from its first; none of a bundle, whose columns are laid down
 * @param headless whether the table has no headings
 */
public record RosterReading(List<RosterLine> lines, List<RosterFault> faults, List<RosterLine> aside, List<Repeat> repeats,
        List<Column> columns, boolean headless) {

    /** A row that is another one's twin in all it says, and the row of that. */
    public record Repeat(RosterLine line, int before) {}

    /**
     * A column of a table.
     *
     * @param heading empty where it has none
     * @param meaning what it is taken for; empty where it is passed over
     * @param examples what stands in it first
     */
    public record Column(String heading, Optional<RosterColumn> meaning, List<String> examples) {

        public Column {
            examples = List.copyOf(examples);
        }
    }

    public RosterReading {
        lines = List.copyOf(lines);
        faults = List.copyOf(faults);
        aside = List.copyOf(aside);
        repeats = List.copyOf(repeats);
        columns = List.copyOf(columns);
    }

    static RosterReading refused(String file, Phrase why) {
        return new RosterReading(List.of(), List.of(new RosterFault(file, 0, "", why)), List.of(), List.of(), List.of(), false);
    }

    /** Whether there is somebody in it who can be taken over. */
    public boolean isGood() {
        return !lines.isEmpty();
    }
}
