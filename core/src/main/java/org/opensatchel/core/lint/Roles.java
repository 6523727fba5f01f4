package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.Kit;

/** Roles that point to one another, and versions that can be told apart. */
final class Roles implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        List<LintFault> out = new ArrayList<>();
        List<LintSubject.Role> roles = subject.roles();
        for (LintSubject.Role role : roles) {
            role.namedLike().ifPresent(like -> follow(roles, role, like, out));
        }
        for (int i = 0; i < subject.kit().documents().size(); i++) {
            Kit.DocumentRule rule = subject.kit().documents().get(i);
            if (rule.versions() > 1 && !rule.name().hasVersion()) {
                out.add(new LintFault(LintCode.VERSIONS_UNNUMBERED, "/documents/" + i + "/versions",
                        LintWording.VERSIONS_UNNUMBERED
                                .say(Facts.of(ROLE, rule.role()).and(COUNT, rule.versions()).and(PATTERN, rule.name().text()))));
            }
        }
        return out;
    }

    private static void follow(List<LintSubject.Role> roles, LintSubject.Role role, String like, List<LintFault> out) {
        Set<String> seen = new HashSet<>(Set.of(role.role()));
        String at = like;
        while (true) {
            String wanted = at;
            Optional<LintSubject.Role> found = roles.stream().filter(other -> other.role().equals(wanted)).findFirst();
            if (found.isEmpty()) {
                out.add(new LintFault(LintCode.ROLE_UNKNOWN, role.at() + "/namedLike",
                        LintWording.ROLE_UNKNOWN.say(Facts.of(ROLE, role.role()).and(OTHER, wanted))));
                return;
            }
            if (!seen.add(wanted)) {
                out.add(new LintFault(LintCode.ROLE_UNKNOWN, role.at() + "/namedLike",
                        LintWording.ROLE_LIKE_ITSELF.say(Facts.of(ROLE, role.role()).and(OTHER, like))));
                return;
            }
            if (found.get().namedLike().isEmpty()) {
                return;
            }
            at = found.get().namedLike().get();
        }
    }
}
