package org.opensatchel.core.roster;

import java.util.List;
import java.util.Optional;

/** A table whose first row holds the headings, as bundles have them. */
final class Table {

    private final Sheet sheet;

    private Table(Sheet sheet) {
        this.sheet = sheet;
    }

    /** A table, or why there is none. */
    record Reading(Optional<Table> table, Optional<org.opensatchel.base.fact.Phrase> refusal) {}

    static Reading read(byte[] content) {
        Sheets.Reading reading = Sheets.text(content);
        return new Reading(reading.sheet().map(Table::new), reading.refusal());
    }

    List<String> headings() {
        return sheet.rows().get(0);
    }

    /** How many rows there are below the headings. */
    int size() {
        return sheet.rows().size() - 1;
    }

    /** The column with exactly this heading, letter case overlooked. */
    Optional<Integer> column(String heading) {
        for (int i = 0; i < headings().size(); i++) {
            if (headings().get(i).equalsIgnoreCase(heading)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** A cell of a row below the headings, counted from 0. */
    String cell(int row, Optional<Integer> column) {
        return column.map(at -> sheet.cell(row + 1, at)).orElse("");
    }
}
