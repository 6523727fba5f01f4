package org.opensatchel.core.lint;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.naming.RosterFields;

/** A document or file is asked for in a folder that takes none of its types. */
final class TypeNowhere implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        RosterFields student = subject.longest();
        List<LintFault> out = new ArrayList<>();
        for (LintSubject.Role role : subject.roles()) {
            Optional<FolderRule> folder = subject.kit().folders().stream().filter(rule -> !role.in().isRoot() && rule.path().fits(role.in(), student, subject.kit().ascii())).findFirst();
            folder.filter(rule -> !role.types().isEmpty() && role.types().stream().noneMatch(rule::takes))
                    .ifPresent(rule -> out.add(new LintFault(LintCode.TYPE_NOWHERE, role.at() + "/types", "“" + role.role() + "” is asked for in “" + role.in() + "” as "
                            + String.join(" or ", role.types()) + ", but that folder takes only " + String.join(", ", rule.accepts()) + ".",
                            "Let the folder take that type too, or ask for the file in another folder.")));
        }
        return out;
    }
}
