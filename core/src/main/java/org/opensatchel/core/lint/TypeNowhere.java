package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.ALLOWED_TYPES;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.naming.RosterFields;

/** A document or file is asked for in a folder that takes none of its types. */
final class TypeNowhere implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        RosterFields student = subject.longest();
        List<LintFault> out = new ArrayList<>();
        for (LintSubject.Role role : subject.roles()) {
            Optional<FolderRule> folder = subject.kit().folders().stream()
                    .filter(rule -> !role.in().isRoot() && rule.path().fits(role.in(), student, subject.kit().ascii())).findFirst();
            folder.filter(rule -> !role.types().isEmpty() && role.types().stream().noneMatch(rule::takes))
                    .ifPresent(rule -> out.add(new LintFault(LintCode.TYPE_NOWHERE, role.at() + "/types",
                            LintWording.TYPE_NOWHERE.say(Facts.of(ROLE, role.role()).and(PLACE, role.in()).and(TYPES, role.types())
                                    .and(ALLOWED_TYPES, rule.accepts())))));
        }
        return out;
    }
}
