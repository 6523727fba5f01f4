package org.opensatchel.core.lint;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.NameFolding;

/** Every student gets a root of their own. */
final class RootOfEach implements LintRule {

    /** The least that stands before the root in a path: a drive's letter, a colon and a backslash. */
    private static final int BEFORE_ROOT = 3;

    @Override
    public List<LintFault> judge(LintSubject subject) {
        List<LintFault> out = new ArrayList<>();
        Kit kit = subject.kit();
        if (!kit.root().isMadeByRoster()) {
            out.add(new LintFault(LintCode.HELD_NOWHERE, "/root/name", "The root's name “" + kit.root().text() + "” has a field in it that the roster does not fill: no kit can be made.",
                    "Use only last, first, id, course, section, assignment and team."));
            return out;
        }
        Map<String, List<RosterFields>> byRoot = new LinkedHashMap<>();
        List<RosterFields> nameless = new ArrayList<>();
        for (RosterFields student : subject.roster()) {
            Optional<String> name = kit.root().make(student, kit.ascii());
            if (name.isEmpty()) {
                nameless.add(student);
            } else {
                byRoot.computeIfAbsent(NameFolding.folded(name.get()), key -> new ArrayList<>()).add(student);
            }
        }
        if (!nameless.isEmpty()) {
            RosterField missing = kit.root().missing(nameless.get(0)).get(0);
            out.add(new LintFault(LintCode.ROOT_NAMELESS, "/root/name", "No root can be named for " + people(nameless) + ": the roster has no " + missing.phrase() + " there.",
                    "Fill in the roster, or leave the field out of the pattern."));
        }
        byRoot.values().stream().filter(students -> students.size() > 1).forEach(students -> out.add(new LintFault(LintCode.ROOT_CLASH, "/root/name",
                people(students) + " would all get “" + subject.root(students.get(0)) + "”.", "Put {id} or {section} into the pattern.")));
        tooLong(subject, out);
        return out;
    }

    private static void tooLong(LintSubject subject, List<LintFault> out) {
        int most = subject.kit().location().map(policy -> policy.maxRootLength()).orElse(0);
        String longest = subject.root(subject.longest());
        if (most > 0 && longest.length() + BEFORE_ROOT > most) {
            out.add(new LintFault(LintCode.ROOT_TOO_LONG, "/location/maxRootLength", "“" + longest + "” has " + longest.length() + " characters, so no path of it keeps within the " + most + " that the kit allows.",
                    "Allow longer paths, or make the root's name shorter."));
        }
    }

    private static String people(List<RosterFields> students) {
        String names = students.stream().limit(3).map(RootOfEach::person).collect(Collectors.joining(", "));
        return students.size() > 3 ? names + " and " + (students.size() - 3) + " more" : names;
    }

    private static String person(RosterFields student) {
        return (student.values().getOrDefault(RosterField.FIRST, "") + " " + student.values().getOrDefault(RosterField.LAST, "")).strip();
    }
}
