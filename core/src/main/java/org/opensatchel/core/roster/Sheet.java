package org.opensatchel.core.roster;

import java.util.List;

/** The rows of a table as they were typed or saved, blank ones and titles above it too; the first of them is row 1. */
public record Sheet(List<List<String>> rows) {

    public Sheet {
        rows = List.copyOf(rows);
    }

    /** What stands in a cell, counted from 0; empty where the row is shorter. */
    String cell(int row, int column) {
        List<String> cells = rows.get(row);
        return column < cells.size() ? cells.get(column) : "";
    }

    /** How many cells of a row hold something. */
    int filled(int row) {
        return (int) rows.get(row).stream().filter(cell -> !cell.isBlank()).count();
    }

    boolean isBlank() {
        return rows.stream().allMatch(row -> row.stream().allMatch(String::isBlank));
    }

    /** How many cells a row has up to the last that holds something. */
    int width(int row) {
        List<String> cells = rows.get(row);
        int width = cells.size();
        while (width > 0 && cells.get(width - 1).isBlank()) {
            width--;
        }
        return width;
    }
}
