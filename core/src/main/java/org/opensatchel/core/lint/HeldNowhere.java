package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.RosterFields;

/** Something is asked for inside a folder that must not be there, or that a program keeps and nobody looks into. */
final class HeldNowhere implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        RosterFields student = subject.longest();
        List<FolderRule> managed = subject.kit().folders().stream().filter(FolderRule::managed).toList();
        List<FolderRule> forbidden = subject.kit().folders().stream().filter(HeldNowhere::isForbidden).toList();
        List<LintFault> out = new ArrayList<>();
        for (LintSubject.Role role : subject.roles()) {
            inside(subject, student, role.in(), role.required() ? managed : List.of())
                    .ifPresent(rule -> out.add(told(role.at() + "/in", LintWording.ROLE_IN_MANAGED, Facts.of(ROLE, role.role()), rule)));
            inside(subject, student, role.in(), forbidden)
                    .ifPresent(rule -> out.add(told(role.at() + "/in", LintWording.ROLE_IN_FORBIDDEN, Facts.of(ROLE, role.role()), rule)));
        }
        for (int i = 0; i < subject.kit().starter().size(); i++) {
            ProjectPath path = subject.kit().starter().get(i).path();
            String at = "/starter/" + i + "/path";
            inside(subject, student, path.parent(), forbidden)
                    .ifPresent(rule -> out.add(told(at, LintWording.STARTER_IN_FORBIDDEN, Facts.of(FOUND, path), rule)));
        }
        folders(subject, student, forbidden, out);
        return out;
    }

    private static void folders(LintSubject subject, RosterFields student, List<FolderRule> forbidden, List<LintFault> out) {
        List<FolderRule> rules = subject.kit().folders();
        for (int i = 0; i < rules.size(); i++) {
            FolderRule rule = rules.get(i);
            String at = "/folders/" + i;
            if (rule.atLeast() > 0 && (isForbidden(rule) || rule.managed())) {
                LintWording why = isForbidden(rule) ? LintWording.AT_LEAST_FORBIDDEN : LintWording.AT_LEAST_MANAGED;
                out.add(new LintFault(LintCode.HELD_NOWHERE, at + "/atLeast",
                        why.say(Facts.of(FOUND, rule.path().text()).and(LEAST, rule.atLeast()))));
            }
            if (rule.need() == Need.REQUIRED) {
                String shortest = rule.path().names().stream().map(name -> name.shortest(student, subject.kit().ascii(), false).orElse("a"))
                        .reduce((a, b) -> a + "/" + b).orElse("");
                inside(subject, student, ProjectPath.of(shortest).parent(), forbidden).ifPresent(around -> out
                        .add(told(at + "/need", LintWording.REQUIRED_IN_FORBIDDEN, Facts.of(FOUND, rule.path().text()), around)));
            }
        }
    }

    private static boolean isForbidden(FolderRule rule) {
        return rule.need() == Need.FORBIDDEN;
    }

    /** The first of these rules whose folder this is or lies in. */
    private static Optional<FolderRule> inside(LintSubject subject, RosterFields student, ProjectPath folder, List<FolderRule> rules) {
        if (rules.isEmpty()) {
            return Optional.empty();
        }
        for (ProjectPath at = folder; !at.isRoot(); at = at.parent()) {
            ProjectPath here = at;
            Optional<FolderRule> rule = rules.stream().filter(one -> one.path().fits(here, student, subject.kit().ascii())).findFirst();
            if (rule.isPresent()) {
                return rule;
            }
        }
        return Optional.empty();
    }

    private static LintFault told(String at, LintWording what, Facts facts, FolderRule around) {
        return new LintFault(LintCode.HELD_NOWHERE, at, what.say(facts.and(PLACE, around.path().text())));
    }
}
