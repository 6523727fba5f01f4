package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;

/** One name that fits two rules: nobody could say which of them it fills. */
final class SameName implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        RosterFields student = subject.longest();
        List<LintFault> out = new ArrayList<>();
        List<LintSubject.Role> roles = subject.roles();
        for (int i = 0; i < roles.size(); i++) {
            for (int j = 0; j < i; j++) {
                roles(subject, student, roles.get(j), roles.get(i), out);
            }
        }
        folders(subject, student, out);
        return out;
    }

    /** Plain paths are looked up; only patterns anybody may fill are held against each other. */
    private static void folders(LintSubject subject, RosterFields student, List<LintFault> out) {
        List<FolderRule> folders = subject.kit().folders();
        Map<String, Integer> made = new HashMap<>();
        List<Integer> free = new ArrayList<>();
        for (int i = 0; i < folders.size(); i++) {
            Optional<ProjectPath> path = folders.get(i).path().make(student, subject.kit().ascii());
            if (path.isPresent()) {
                Integer first = made.putIfAbsent(NameFolding.composed(path.get().text()), i);
                if (first != null) {
                    out.add(told(folders, first, i));
                }
                continue;
            }
            for (int j : free) {
                if (meet(folders.get(j), folders.get(i), student, subject.kit().ascii())) {
                    out.add(told(folders, j, i));
                }
            }
            free.add(i);
        }
    }

    private static LintFault told(List<FolderRule> folders, int first, int second) {
        return new LintFault(LintCode.SAME_FOLDER, "/folders/" + second + "/path",
                LintWording.SAME_FOLDER
                        .say(Facts.of(FOUND, folders.get(first).path().text()).and(OTHER, folders.get(second).path().text())));
    }

    private static void roles(LintSubject subject, RosterFields student, LintSubject.Role first, LintSubject.Role second,
            List<LintFault> out) {
        boolean sameTypes = first.types().isEmpty() || second.types().isEmpty() || !Collections.disjoint(first.types(), second.types());
        boolean samePlace = first.in().equals(second.in());
        // A name that follows another file's is told apart by that file.
        boolean free = first.namedLike().isEmpty() && second.namedLike().isEmpty();
        if (sameTypes && samePlace && free && first.name().meets(second.name(), student, subject.kit().ascii())) {
            out.add(new LintFault(LintCode.SAME_NAME, second.at() + "/name",
                    LintWording.SAME_NAME.say(Facts.NONE.and(PLACE, Optional.of(first.in()).filter(folder -> !folder.isRoot()))
                            .and(ROLE, first.role()).and(PATTERN, first.name().text()).and(OTHER, second.role())
                            .and(EXPECTED, second.name().text()))));
        }
    }

    private static boolean meet(FolderRule first, FolderRule second, RosterFields student, boolean ascii) {
        List<NamePattern> a = first.path().names();
        List<NamePattern> b = second.path().names();
        if (a.size() != b.size() || first.path().freedom() != second.path().freedom()) {
            return false;
        }
        for (int i = 0; i < a.size(); i++) {
            if (!a.get(i).meets(b.get(i), student, ascii)) {
                return false;
            }
        }
        return true;
    }
}
