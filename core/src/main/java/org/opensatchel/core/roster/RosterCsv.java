package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.path.NameFolding;

/** Reads a roster from one table whose columns are told by their headings. */
public final class RosterCsv {

    /** What a column may hold, with headings that mean it. */
    private enum Column {
        LAST("last name", "lastname", "last", "surname", "familyname", "family"), FIRST("first name", "firstname", "first", "givenname", "given", "forename", "preferredname"),
        NAME("name", "student", "studentname", "fullname"), ID("student number", "id", "studentid", "studentnumber", "number", "identifier", "sisid", "matriculation", "studentno"),
        SECTION("section", "group", "class", "classsection"), LOGIN("sign-in", "login", "username", "user"), EMAIL("e-mail", "email", "emailaddress", "mail"), TEAM("team", "teamname");

        private final String title;
        private final List<String> headings;

        Column(String title, String... headings) {
            this.title = title;
            this.headings = List.of(headings);
        }
    }

    private final Table table;
    private final Map<Column, Optional<Integer>> columns = new EnumMap<>(Column.class);
    private final List<RosterFault> faults = new ArrayList<>();

    private RosterCsv(Table table) {
        this.table = table;
    }

    public static RosterReading read(byte[] content) {
        Table.Reading reading = Table.read(content);
        return reading.table().map(table -> new RosterCsv(table).read()).orElseGet(() -> new RosterReading(List.of(), List.of(new RosterFault("", 0, "", reading.refusal())), Map.of()));
    }

    private RosterReading read() {
        Map<String, String> taken = new LinkedHashMap<>();
        for (Column column : Column.values()) {
            columns.put(column, find(column, taken));
        }
        boolean named = columns.get(Column.LAST).isPresent() || columns.get(Column.NAME).isPresent();
        if (!named) {
            faults.add(new RosterFault("", 1, "", "No column was recognised as the students' names. Name one “Last name” and one “First name”, or one “Name”. There are: " + String.join(", ", table.headings()) + "."));
            return new RosterReading(List.of(), faults, taken);
        }
        List<RosterLine> lines = new ArrayList<>();
        for (int i = 0; i < table.size(); i++) {
            if (!table.isBlank(i)) {
                line(i).ifPresent(lines::add);
            }
        }
        if (lines.isEmpty() && faults.isEmpty()) {
            faults.add(new RosterFault("", 0, "", "There is a heading and no student below it."));
        }
        faults.addAll(twins(lines, "", heading(Column.ID)));
        return new RosterReading(faults.isEmpty() ? lines : List.of(), faults, taken);
    }

    private Optional<Integer> find(Column column, Map<String, String> taken) {
        for (int i = 0; i < table.headings().size(); i++) {
            String heading = NameFolding.loose(table.headings().get(i)).replace(".", "");
            boolean means = column.headings.contains(heading) || NameFolding.loose(column.title).equals(heading);
            if (means && !taken.containsKey(table.headings().get(i))) {
                taken.put(table.headings().get(i), column.title);
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private String heading(Column column) {
        return columns.get(column).map(table.headings()::get).orElse("");
    }

    private Optional<RosterLine> line(int i) {
        int row = i + 2;
        String last = cell(i, Column.LAST);
        String first = cell(i, Column.FIRST);
        if (columns.get(Column.LAST).isEmpty()) {
            String name = cell(i, Column.NAME);
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
        Column column = columns.get(Column.LAST).isPresent() ? Column.LAST : Column.NAME;
        if (last.isEmpty()) {
            faults.add(new RosterFault("", row, heading(column), "There is no name in this row."));
            return Optional.empty();
        }
        RosterLine line = signingIn(new RosterLine(row, last, first, cell(i, Column.ID), cell(i, Column.SECTION), cell(i, Column.LOGIN), cell(i, Column.EMAIL), cell(i, Column.TEAM)));
        List<RosterFault> wrong = RosterBounds.faults(line, "");
        faults.addAll(wrong);
        return wrong.isEmpty() ? Optional.of(line) : Optional.empty();
    }

    private String cell(int row, Column column) {
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
        return new RosterLine(line.row(), line.last(), line.first(), line.id(), line.section(), at > 0 ? wish.substring(0, at) : wish, email, line.team());
    }

    /** The same student twice: by number, or by sign-in. */
    static List<RosterFault> twins(List<RosterLine> lines, String file, String column) {
        List<RosterFault> out = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (RosterLine line : lines) {
            String signIn = line.email().isEmpty() ? "sign-in " + line.login() : "address " + line.email();
            for (String key : List.of("number " + line.id(), signIn)) {
                Integer before = key.endsWith(" ") ? null : seen.putIfAbsent(key, line.row());
                if (before != null) {
                    out.add(new RosterFault(file, line.row(), key.startsWith("number") ? column : "", "The " + key.replace(" ", " “") + "” stands in row " + before + " already."));
                }
            }
        }
        return out;
    }
}
