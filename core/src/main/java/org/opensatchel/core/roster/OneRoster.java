package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.ZipSource;

/**
 * Reads the students of a OneRoster CSV bundle (1EdTech OneRoster 1.1 and 1.2, CSV binding): {@code users.csv},
 * {@code classes.csv} and {@code enrollments.csv} in one ZIP. Read are active students and the classes they are enrolled in, each
 * class a section; terms, grades and everything else is left alone.
 */
public final class OneRoster {

    private static final int MOST_BYTES = 64 << 20;
    private static final Set<String> STUDENT = Set.of("student", "learner");

    private final Map<String, Table> tables = new HashMap<>();
    private final List<RosterFault> faults = new ArrayList<>();

    private OneRoster() {
    }

    /** What is in a bundle: the classes it knows, for choosing, and their students. */
    public record Bundle(Map<String, String> classes, RosterReading roster) {}

    /**
     * Reads a bundle.
     *
     * @param classIds the classes wanted, by their {@code sourcedId}; all when empty
     */
    public static Bundle read(ZipSource source, Set<String> classIds, ReadLimits limits) throws IOException {
        return new OneRoster().bundle(source, classIds, limits);
    }

    private Bundle bundle(ZipSource source, Set<String> classIds, ReadLimits limits) throws IOException {
        Intake intake = source.list(limits);
        if (intake instanceof Intake.Blocked blocked) {
            return broken("", blocked.what());
        }
        for (SourceEntry entry : ((Intake.Opened) intake).listing().files()) {
            String name = entry.path().substring(entry.path().lastIndexOf('/') + 1);
            if (Set.of("users.csv", "classes.csv", "enrollments.csv").contains(name)) {
                table(source, entry, name);
            }
        }
        for (String name : List.of("users.csv", "enrollments.csv")) {
            if (!tables.containsKey(name) && faults.isEmpty()) {
                return broken("", RosterWording.NO_BUNDLE.say(Facts.of(FOUND, name)));
            }
        }
        if (!faults.isEmpty() || !hasColumns()) {
            return new Bundle(Map.of(), new RosterReading(List.of(), faults, List.of(), List.of(), List.of(), false));
        }
        Map<String, String> classes = classes();
        return new Bundle(classes, students(classes, classIds));
    }

    private static Bundle broken(String file, Phrase why) {
        return new Bundle(Map.of(), RosterReading.refused(file, why));
    }

    private void table(ZipSource source, SourceEntry entry, String name) throws IOException {
        try (InputStream content = source.open(entry)) {
            byte[] bytes = content.readNBytes(MOST_BYTES + 1);
            Table.Reading reading = bytes.length > MOST_BYTES
                    ? new Table.Reading(Optional.empty(),
                            Optional.of(RosterWording.TOO_LARGE.say(Facts.of(FactName.MOST_BYTES, MOST_BYTES))))
                    : Table.read(bytes);
            reading.table().ifPresentOrElse(table -> tables.put(name, table),
                    () -> faults.add(new RosterFault(name, 0, "", reading.refusal().orElseThrow())));
        } catch (ContentUnavailable damaged) {
            faults.add(new RosterFault(name, 0, "", RosterWording.FILE.say(Facts.of(FAULT, damaged.what()))));
        }
    }

    private boolean hasColumns() {
        Map<String, List<String>> needed = new TreeMap<>(Map.of("users.csv", List.of("sourcedId", "givenName", "familyName"),
                "enrollments.csv", List.of("classSourcedId", "userSourcedId", "role")));
        needed.forEach((file, columns) -> columns.stream().filter(column -> tables.get(file).column(column).isEmpty())
                .forEach(
                        column -> faults.add(new RosterFault(file, 1, column, RosterWording.COLUMN_MISSING.say(Facts.of(FOUND, column))))));
        return faults.isEmpty();
    }

    private static boolean isActive(Table table, int row) {
        String status = table.cell(row, table.column("status"));
        return status.isEmpty() || status.equalsIgnoreCase("active");
    }

    private Map<String, String> classes() {
        Map<String, String> out = new TreeMap<>();
        Table table = tables.get("classes.csv");
        for (int i = 0; table != null && i < table.size(); i++) {
            String id = table.cell(i, table.column("sourcedId"));
            if (!id.isEmpty() && isActive(table, i)) {
                String title = table.cell(i, table.column("title"));
                out.put(id, title.isEmpty() ? id : title);
            }
        }
        return out;
    }

    private RosterReading students(Map<String, String> classes, Set<String> wanted) {
        Map<String, TreeSet<String>> sections = new HashMap<>();
        Table enrolments = tables.get("enrollments.csv");
        for (int i = 0; i < enrolments.size(); i++) {
            String classId = enrolments.cell(i, enrolments.column("classSourcedId"));
            boolean student = STUDENT.contains(enrolments.cell(i, enrolments.column("role")).toLowerCase(java.util.Locale.ROOT));
            if (student && isActive(enrolments, i) && (wanted.isEmpty() || wanted.contains(classId))) {
                sections.computeIfAbsent(enrolments.cell(i, enrolments.column("userSourcedId")), key -> new TreeSet<>())
                        .add(classes.getOrDefault(classId, classId));
            }
        }
        RosterRows rows = new RosterRows("users.csv", "identifier");
        Table users = tables.get("users.csv");
        Set<String> known = new TreeSet<>();
        for (int i = 0; i < users.size(); i++) {
            String id = users.cell(i, users.column("sourcedId"));
            known.add(id);
            if (sections.containsKey(id) && isActive(users, i)) {
                user(users, i, String.join(", ", sections.get(id)), rows);
            }
        }
        sections.keySet().stream().filter(id -> !known.contains(id)).sorted().limit(20).forEach(id -> rows
                .fault(new RosterFault("enrollments.csv", 0, "userSourcedId", RosterWording.NO_USER.say(Facts.of(FOUND, id)))));
        if (rows.isEmpty()) {
            rows.fault(new RosterFault("enrollments.csv", 0, "", RosterWording.NOBODY_ENROLLED.say()));
        }
        return rows.reading(List.of(), false);
    }

    private static void user(Table users, int i, String section, RosterRows rows) {
        PersonName name = PersonName.of(users.cell(i, users.column("familyName")), users.cell(i, users.column("givenName")));
        if (name.last().isEmpty()) {
            rows.fault(new RosterFault("users.csv", i + 2, "familyName", RosterWording.NO_NAME.say()));
            return;
        }
        String number = users.cell(i, users.column("identifier"));
        rows.add(RosterTable.signingIn(new RosterLine(i + 2, name.last(), name.first(),
                number.isEmpty() ? users.cell(i, users.column("sourcedId")) : number, section, users.cell(i, users.column("username")),
                users.cell(i, users.column("email")), "")));
    }
}
