package org.opensatchel.core.roster;

import java.util.Map;

/**
 * What somebody said of how a table is to be read.
 *
 * @param chosen whether they chose what the columns hold; else the headings say it
 * @param headless whether the table has no headings, so that its first row is a student too
 * @param columns what a column holds, by its place from 0; the others are passed over
 * @param remembered what columns with these headings were said to hold in an earlier table, by their headings
 */
public record RosterChoice(boolean chosen, boolean headless, Map<Integer, RosterColumn> columns, Map<String, RosterColumn> remembered) {

    /** Nothing was said. */
    public static final RosterChoice NONE = new RosterChoice(false, false, Map.of(), Map.of());

    public RosterChoice {
        columns = Map.copyOf(columns);
        remembered = Map.copyOf(remembered);
    }
}
