package org.opensatchel.core.lint;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout;

/**
 * A kit with what it is held against.
 *
 * @param roster the students it goes to; empty when they are not known
 * @param contents the starter files; absent when only the kit document is at hand
 */
public record LintSubject(Kit kit, List<RosterFields> roster, Optional<Handout.StarterContents> contents) {

    /** Somebody with a long double name, for kits whose students are not known yet. */
    private static final Map<RosterField, String> SOMEBODY = Map.of(RosterField.LAST, "Vandermolen-Ashgrove", RosterField.FIRST,
            "Wilhelmina", RosterField.ID, "20264417",
            RosterField.COURSE, "MOV 120", RosterField.SECTION, "1", RosterField.ASSIGNMENT, "A2", RosterField.TEAM, "Team Lantern");

    public LintSubject {
        roster = List.copyOf(roster);
    }

    /** Students with everything the patterns need: those of the roster, else somebody made up. */
    List<RosterFields> students() {
        List<RosterFields> out = new ArrayList<>();
        RosterFields somebody = somebody();
        for (RosterFields student : roster) {
            if (kit.root().missing(student).isEmpty()) {
                out.add(student.or(somebody));
            }
        }
        return out.isEmpty() ? List.of(somebody) : out;
    }

    /** The student with the longest root. */
    RosterFields longest() {
        return students().stream().reduce((first, next) -> root(next).length() > root(first).length() ? next : first).orElseThrow();
    }

    String root(RosterFields student) {
        return kit.root().shortest(student, kit.ascii(), false).orElse("root");
    }

    private RosterFields somebody() {
        EnumMap<RosterField, String> values = new EnumMap<>(SOMEBODY);
        kit.assignment().ifPresent(code -> values.put(RosterField.ASSIGNMENT, code));
        return new RosterFields(values);
    }

    /** The shortest name a rule allows a student, with its first type. */
    Optional<String> name(NamePattern pattern, List<String> types, RosterFields student) {
        return pattern.shortest(student, kit.ascii(), kit.nameRules().letters() == NameRules.Letters.UPPER)
                .map(stem -> types.isEmpty() ? stem : stem + "." + types.get(0));
    }

    /** Something a student has to make: a document or another file. */
    record Role(String at, String role, ProjectPath in, NamePattern name, List<String> types, boolean required, Optional<String> namedLike,
            int maxLength) {}

    /** A folder that fits the place of a rule, as the longest name of a student makes it; what anybody may fill has one letter. */
    private ProjectPath place(ProjectPath in) {
        if (in.text().indexOf('{') < 0) {
            return in;
        }
        List<String> names = FolderPattern.of(in.text()).names().stream()
                .map(name -> name.shortest(longest(), kit.ascii(), kit.nameRules().letters() == NameRules.Letters.UPPER)
                        .orElse(name.text()))
                .toList();
        return ProjectPath.of(names);
    }

    List<Role> roles() {
        List<Role> out = new ArrayList<>();
        for (int i = 0; i < kit.documents().size(); i++) {
            Kit.DocumentRule rule = kit.documents().get(i);
            out.add(new Role("/documents/" + i, rule.role(), place(rule.in()), rule.name(), rule.types(),
                    rule.need() == org.opensatchel.core.kit.Need.REQUIRED, rule.namedLike(), rule.maxLength()));
        }
        for (int i = 0; i < kit.files().size(); i++) {
            Kit.FileRule rule = kit.files().get(i);
            out.add(new Role("/files/" + i, rule.role(), place(rule.in()), rule.name(), rule.types(),
                    rule.need() == org.opensatchel.core.kit.Need.REQUIRED, rule.namedLike(), 0));
        }
        return out;
    }
}
