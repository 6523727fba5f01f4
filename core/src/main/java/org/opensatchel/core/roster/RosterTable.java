package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.NameFolding;

/**
 * Reads a roster from one table. What its columns hold is told by their headings, or by who looks at it; titles may stand above the
 * headings, and rows that are blank between the others.
 */
public final class RosterTable {

    /** So far down the headings are looked for. */
    private static final int MOST_TITLES = 20;
    private static final int MOST_COLUMNS = 60;
    private static final int EXAMPLES = 3;
    private static final Pattern NUMBER = Pattern.compile("[0-9]{3,}");
    private static final List<RosterColumn> NAMES = List.of(RosterColumn.LAST, RosterColumn.FIRST, RosterColumn.NAME);

    private final Sheet sheet;
    private final RosterChoice choice;
    /** The row of the headings or, of a table without any, its first one. */
    private final int top;
    private final boolean headless;
    private final Map<Integer, RosterColumn> meanings;
    private final Map<RosterColumn, Integer> places = new EnumMap<>(RosterColumn.class);

    private RosterTable(Sheet sheet, RosterChoice choice) {
        this.sheet = sheet;
        this.choice = choice;
        this.top = top();
        boolean told = !known(top).isEmpty();
        this.headless = choice.chosen() ? choice.headless() : !told && looksLikeSomebody(top);
        this.meanings = choice.chosen() ? choice.columns() : headless ? byContent() : known(top);
        meanings.forEach((place, meaning) -> places.putIfAbsent(meaning, place));
        if (!choice.chosen() && !places.containsKey(RosterColumn.LAST) && places.containsKey(RosterColumn.FIRST)
                && places.containsKey(RosterColumn.NAME)) {
            // “Name” beside “First name” is the last name.
            places.put(RosterColumn.LAST, places.remove(RosterColumn.NAME));
        }
    }

    /** Reads a table that is text. */
    public static RosterReading read(byte[] content, RosterChoice choice) {
        return read(Sheets.text(content), choice);
    }

    /** Reads a table, or tells why there is none. */
    public static RosterReading read(Sheets.Reading reading, RosterChoice choice) {
        return reading.sheet().map(sheet -> new RosterTable(sheet, choice).read())
                .orElseGet(() -> RosterReading.refused("", reading.refusal().orElseThrow()));
    }

    /** Reads one student as somebody typed them: last and first name, number, section and address. */
    public static RosterReading row(List<String> cells) {
        Map<Integer, RosterColumn> columns = Map.of(0, RosterColumn.LAST, 1, RosterColumn.FIRST, 2, RosterColumn.ID, 3,
                RosterColumn.SECTION,
                4, RosterColumn.EMAIL);
        return read(Sheets.Reading.of(new Sheet(List.of(cells))), new RosterChoice(true, true, columns, Map.of()));
    }

    private RosterReading read() {
        RosterRows rows = new RosterRows("", heading(RosterColumn.ID));
        if (NAMES.stream().noneMatch(places::containsKey)) {
            rows.fault(new RosterFault("", headless ? 0 : top + 1, "", RosterWording.NO_NAMES_COLUMN.say(
                    Facts.of(OTHERS, sheet.rows().get(top).stream().filter(cell -> !cell.isBlank()).toList()))));
            return rows.reading(columns(), headless);
        }
        int students = 0;
        for (int i = headless ? top : top + 1; i < sheet.rows().size(); i++) {
            boolean headings = !headless && sheet.rows().get(i).equals(sheet.rows().get(top));
            if (sheet.filled(i) > 0 && !headings) {
                if (++students > Sheets.MOST_ROWS) {
                    return RosterReading.refused("", Sheets.Reading.tooMany().refusal().orElseThrow());
                }
                row(rows, i);
            }
        }
        if (rows.isEmpty()) {
            rows.fault(new RosterFault("", 0, "", RosterWording.NO_STUDENT.say()));
        }
        return rows.reading(columns(), headless);
    }

    /** The row in which most headings are known; where none is, the first with more than one cell, since titles have one. */
    private int top() {
        int best = -1;
        int most = 0;
        int first = -1;
        int wide = -1;
        for (int i = 0; i < Math.min(MOST_TITLES, sheet.rows().size()); i++) {
            Map<Integer, RosterColumn> known = known(i);
            boolean named = known.values().stream().anyMatch(NAMES::contains);
            if (named && known.size() > most) {
                most = known.size();
                best = i;
            }
            first = first < 0 && sheet.filled(i) > 0 ? i : first;
            wide = wide < 0 && sheet.filled(i) > 1 ? i : wide;
        }
        return best >= 0 ? best : wide >= 0 ? wide : first >= 0 ? first : firstFilled();
    }

    private int firstFilled() {
        int row = 0;
        while (sheet.filled(row) == 0) {
            row++;
        }
        return row;
    }

    /** What the headings of a row mean, each meaning once; empty for a row that holds none. */
    private Map<Integer, RosterColumn> known(int row) {
        Map<Integer, RosterColumn> out = new TreeMap<>();
        for (int i = 0; i < Math.min(MOST_COLUMNS, sheet.width(row)); i++) {
            int place = i;
            meaning(sheet.cell(row, i)).filter(meaning -> !out.containsValue(meaning)).ifPresent(meaning -> out.put(place, meaning));
        }
        return out;
    }

    private Optional<RosterColumn> meaning(String heading) {
        return Optional.ofNullable(choice.remembered().get(plain(heading))).or(() -> RosterColumn.of(plain(heading)));
    }

    /** A heading as it is compared and remembered: small letters, without blanks, accents and signs. */
    public static String plain(String heading) {
        return NameFolding.loose(heading).replaceAll("[^\\p{L}\\p{N}]", "");
    }

    private boolean looksLikeSomebody(int row) {
        return sheet.rows().get(row).stream().anyMatch(cell -> NUMBER.matcher(cell.strip()).matches() || cell.indexOf('@') > 0);
    }

    /** Addresses and numbers are known by themselves; which of two names is the last one is not guessed. */
    private Map<Integer, RosterColumn> byContent() {
        Map<Integer, RosterColumn> out = new TreeMap<>();
        for (int i = 0; i < Math.min(MOST_COLUMNS, sheet.width(top)); i++) {
            String cell = sheet.cell(top, i).strip();
            RosterColumn meaning = cell.indexOf('@') > 0 ? RosterColumn.EMAIL
                    : NUMBER.matcher(cell).matches() ? RosterColumn.ID
                            : cell.indexOf(',') > 0 ? RosterColumn.NAME : null;
            if (meaning != null && !out.containsValue(meaning)) {
                out.put(i, meaning);
            }
        }
        return out;
    }

    private List<RosterReading.Column> columns() {
        int width = 0;
        for (int i = top; i < Math.min(sheet.rows().size(), top + MOST_TITLES); i++) {
            width = Math.max(width, sheet.width(i));
        }
        List<RosterReading.Column> out = new ArrayList<>();
        for (int i = 0; i < Math.min(MOST_COLUMNS, width); i++) {
            int place = i;
            Optional<RosterColumn> meaning = places.entrySet().stream().filter(one -> one.getValue() == place).map(Map.Entry::getKey)
                    .findFirst();
            out.add(new RosterReading.Column(headless ? "" : sheet.cell(top, i), meaning, examples(i)));
        }
        return out;
    }

    private List<String> examples(int column) {
        List<String> out = new ArrayList<>();
        for (int i = headless ? top : top + 1; i < sheet.rows().size() && out.size() < EXAMPLES; i++) {
            if (sheet.filled(i) > 0) {
                out.add(sheet.cell(i, column));
            }
        }
        return out;
    }

    private String heading(RosterColumn column) {
        return headless || !places.containsKey(column) ? "" : sheet.cell(top, places.get(column));
    }

    private void row(RosterRows rows, int i) {
        int row = i + 1;
        PersonName name = places.containsKey(RosterColumn.LAST) || places.containsKey(RosterColumn.FIRST)
                ? PersonName.of(cell(i, RosterColumn.LAST), cell(i, RosterColumn.FIRST))
                : PersonName.whole(wholeName(i));
        if (name.last().isEmpty()) {
            RosterColumn told = places.containsKey(RosterColumn.LAST) ? RosterColumn.LAST
                    : places.containsKey(RosterColumn.NAME) ? RosterColumn.NAME : RosterColumn.FIRST;
            rows.fault(new RosterFault("", row, heading(told), RosterWording.NO_NAME.say()));
            return;
        }
        rows.add(signingIn(new RosterLine(row, name.last(), name.first(), cell(i, RosterColumn.ID), cell(i, RosterColumn.SECTION),
                cell(i, RosterColumn.LOGIN), cell(i, RosterColumn.EMAIL), cell(i, RosterColumn.TEAM))));
    }

    /** A name whose comma was taken for one between two cells is put together again. */
    private String wholeName(int i) {
        int place = places.get(RosterColumn.NAME);
        boolean isLast = !headless && place == sheet.width(top) - 1;
        return isLast && sheet.width(i) == place + 2 ? sheet.cell(i, place) + "," + sheet.cell(i, place + 1) : sheet.cell(i, place);
    }

    private String cell(int row, RosterColumn column) {
        return places.containsKey(column) ? sheet.cell(row, places.get(column)).strip() : "";
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
}
