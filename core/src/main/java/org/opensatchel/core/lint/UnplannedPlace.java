package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.List;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.naming.RosterFields;

/** A document or file is asked for in a folder that the kit does not make: every student would have to make it themselves. */
final class UnplannedPlace implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        RosterFields student = subject.longest();
        return subject.roles().stream().filter(role -> !role.in().isRoot())
                .filter(role -> subject.kit().folders().stream()
                        .noneMatch(rule -> rule.path().fits(role.in(), student, subject.kit().ascii())))
                .map(role -> new LintFault(LintCode.FOLDER_UNPLANNED, role.at() + "/in",
                        LintWording.ROLE_UNPLANNED.say(Facts.of(ROLE, role.role()).and(PLACE, role.in()))))
                .toList();
    }
}
