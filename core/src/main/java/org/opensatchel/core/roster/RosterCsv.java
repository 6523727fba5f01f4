package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.NameFolding;

/** Reads a roster from one table whose columns are told by their headings. */
public final class RosterCsv {

    private final Table table;
    private final Map<RosterColumn, Optional<Integer>> columns = new EnumMap<>(RosterColumn.class);
    private final List<RosterFault> faults = new ArrayList<>();

    private RosterCsv(Table table) {
        this.table = table;
    }

    public static RosterReading read(byte[] content) {
        Table.Reading reading = Table.read(content);
        return reading.table().map(table -> new RosterCsv(table).read()).orElseGet(
                () -> new RosterReading(List.of(), List.of(new RosterFault("", 0, "", reading.refusal().orElseThrow())), Map.of()));
    }

    private RosterReading read() {
        Map<String, RosterColumn> taken = new LinkedHashMap<>();
        for (RosterColumn column : RosterColumn.values()) {
            columns.put(column, find(column, taken));
        }
        boolean named = columns.get(RosterColumn.LAST).isPresent() || columns.get(RosterColumn.NAME).isPresent();
        if (!named) {
            faults.add(new RosterFault("", 1, "", RosterWording.NO_NAMES_COLUMN.say(Facts.of(OTHERS, table.headings()))));
            return new RosterReading(List.of(), faults, taken);
        }
        List<RosterLine> lines = new ArrayList<>();
        for (int i = 0; i < table.size(); i++) {
            if (!table.isBlank(i)) {
                line(i).ifPresent(lines::add);
            }
        }
        if (lines.isEmpty() && faults.isEmpty()) {
            faults.add(new RosterFault("", 0, "", RosterWording.NO_STUDENT.say()));
        }
        faults.addAll(twins(lines, "", heading(RosterColumn.ID)));
        return new RosterReading(faults.isEmpty() ? lines : List.of(), faults, taken);
    }

    private Optional<Integer> find(RosterColumn column, Map<String, RosterColumn> taken) {
        for (int i = 0; i < table.headings().size(); i++) {
            String heading = NameFolding.loose(table.headings().get(i)).replace(".", "");
            boolean means = column.headings().contains(heading);
            if (means && !taken.containsKey(table.headings().get(i))) {
                taken.put(table.headings().get(i), column);
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private String heading(RosterColumn column) {
        return columns.get(column).map(table.headings()::get).orElse("");
    }

    private Optional<RosterLine> line(int i) {
        int row = i + 2;
        String last = cell(i, RosterColumn.LAST);
        String first = cell(i, RosterColumn.FIRST);
        if (columns.get(RosterColumn.LAST).isEmpty()) {
            String name = cell(i, RosterColumn.NAME);
            int comma = name.indexOf(',');
            int space = name.lastIndexOf(' ');
            last = comma >= 0 ? name.substring(0, comma).strip() : name.substring(space + 1);
            first = comma >= 0 ? name.substring(comma + 1).strip() : space < 0 ? "" : name.substring(0, space).strip();
        }
        if (last.isEmpty() && !first.isEmpty()) {
            // Who has one name has it as the last one, which every pattern asks for.
            last = first;
            first = "";
        }
        RosterColumn column = columns.get(RosterColumn.LAST).isPresent() ? RosterColumn.LAST : RosterColumn.NAME;
        if (last.isEmpty()) {
            faults.add(new RosterFault("", row, heading(column), RosterWording.NO_NAME.say()));
            return Optional.empty();
        }
        RosterLine line = signingIn(new RosterLine(row, last, first, cell(i, RosterColumn.ID), cell(i, RosterColumn.SECTION),
                cell(i, RosterColumn.LOGIN), cell(i, RosterColumn.EMAIL), cell(i, RosterColumn.TEAM)));
        List<RosterFault> wrong = RosterBounds.faults(line, "");
        faults.addAll(wrong);
        return wrong.isEmpty() ? Optional.of(line) : Optional.empty();
    }

    private String cell(int row, RosterColumn column) {
        return table.cell(row, columns.get(column));
    }

    /** An address is kept whole, and who has no other sign-in signs in by what stands before its @. */
    static RosterLine signingIn(RosterLine line) {
        boolean addressed = line.email().isEmpty() && line.login().indexOf('@') > 0;
        String told = (addressed ? line.login() : line.email()).toLowerCase(Locale.ROOT);
        // What has no @ in it is a name to sign in with, whatever its column is called.
        String email = told.indexOf('@') > 0 ? told : "";
        String wish = line.login().isEmpty() || addressed ? told : line.login().toLowerCase(Locale.ROOT);
        int at = wish.indexOf('@');
        return new RosterLine(line.row(), line.last(), line.first(), line.id(), line.section(), at > 0 ? wish.substring(0, at) : wish,
                email, line.team());
    }

    /** The same student twice: by number, or by sign-in. */
    static List<RosterFault> twins(List<RosterLine> lines, String file, String column) {
        List<RosterFault> out = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (RosterLine line : lines) {
            twin(out, seen, RosterColumn.ID, line.id(), line, file, column);
            boolean addressed = !line.email().isEmpty();
            twin(out, seen, addressed ? RosterColumn.EMAIL : RosterColumn.LOGIN, addressed ? line.email() : line.login(), line, file, "");
        }
        return out;
    }

    private static void twin(List<RosterFault> out, Map<String, Integer> seen, RosterColumn what, String value, RosterLine line,
            String file, String column) {
        Integer before = value.isEmpty() ? null : seen.putIfAbsent(what + " " + value, line.row());
        if (before != null) {
            out.add(new RosterFault(file, line.row(), column,
                    RosterWording.TWICE.say(Facts.of(WHAT, what.say()).and(FOUND, value).and(NUMBER, before))));
        }
    }
}
