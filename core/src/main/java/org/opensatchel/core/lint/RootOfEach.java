package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PEOPLE;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/** Every student gets a root of their own. */
final class RootOfEach implements LintRule {

    /** The least that stands before the root in a path: a drive's letter, a colon and a backslash. */
    private static final int BEFORE_ROOT = 3;

    @Override
    public List<LintFault> judge(LintSubject subject) {
        List<LintFault> out = new ArrayList<>();
        Kit kit = subject.kit();
        if (!kit.root().isMadeByRoster()) {
            out.add(new LintFault(LintCode.HELD_NOWHERE, "/root/name",
                    LintWording.ROOT_FREE_FIELD.say(Facts.of(PATTERN, kit.root().text()))));
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
            out.add(new LintFault(LintCode.ROOT_NAMELESS, "/root/name",
                    LintWording.ROOT_NAMELESS.say(Facts.of(PEOPLE, people(nameless)).and(WHAT, missing.say()))));
        }
        byRoot.values().stream().filter(students -> students.size() > 1)
                .forEach(students -> out.add(new LintFault(LintCode.ROOT_CLASH, "/root/name",
                        LintWording.ROOT_CLASH.say(Facts.of(PEOPLE, people(students)).and(FOUND, subject.root(students.get(0)))))));
        tooLong(subject, out);
        return out;
    }

    private static void tooLong(LintSubject subject, List<LintFault> out) {
        int most = subject.kit().location().map(policy -> policy.maxRootLength()).orElse(0);
        String longest = subject.root(subject.longest());
        if (most > 0 && longest.length() + BEFORE_ROOT > most) {
            out.add(new LintFault(LintCode.ROOT_TOO_LONG, "/location/maxRootLength",
                    LintWording.ROOT_TOO_LONG.say(Facts.of(FOUND, longest).and(COUNT, longest.length()).and(MOST, most))));
        }
    }

    private static List<String> people(List<RosterFields> students) {
        return students.stream().map(RootOfEach::person).toList();
    }

    private static String person(RosterFields student) {
        return (student.values().getOrDefault(RosterField.FIRST, "") + " " + student.values().getOrDefault(RosterField.LAST, "")).strip();
    }
}
