package org.opensatchel.core.roster;

import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Something wrong in a roster file.
 *
 * @param file the file inside a bundle, empty for a file of its own
 * @param row counted from 1 with the heading, 0 for the whole file
 * @param column the heading of the column, empty for the whole row
 */
public record RosterFault(String file, int row, String column, String message) {

    @Override
    public String toString() {
        String where = Stream.of(file, row == 0 ? "" : "row " + row, column.isEmpty() ? "" : "column “" + column + "”").filter(part -> !part.isEmpty()).collect(Collectors.joining(", "));
        return where.isEmpty() ? message : where + ": " + message;
    }
}
