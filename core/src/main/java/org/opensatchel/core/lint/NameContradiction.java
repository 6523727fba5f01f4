package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.naming.NameBreach;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.PortableName;
import org.opensatchel.core.naming.RosterFields;

/** A name that the kit itself asks for, and that its own name rules or some system would refuse. */
final class NameContradiction implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        Map<String, LintFault> out = new LinkedHashMap<>();
        NameRules rules = subject.kit().nameRules();
        boolean first = true;
        for (RosterFields student : subject.students()) {
            for (LintSubject.Role role : subject.roles()) {
                Optional<String> name = subject.name(role.name(), role.types(), student);
                name.ifPresent(made -> role(rules, role, made, out));
            }
            portable(subject, student, first, out);
            first = false;
        }
        return new ArrayList<>(out.values());
    }

    /** One fault a pattern and kind: the first student stands for the others. */
    private static void role(NameRules rules, LintSubject.Role role, String name, Map<String, LintFault> out) {
        for (NameBreach breach : NameBreach.of(rules, name, false)) {
            LintCode code = breach.kind() == NameBreach.Kind.CHARACTER ? LintCode.NAME_IMPOSSIBLE : LintCode.NAME_CONTRADICTION;
            out.putIfAbsent(role.at() + breach.kind(), new LintFault(code, role.at() + "/name",
                    LintWording.ROLE_NAME.say(Facts.of(ROLE, role.role()).and(FOUND, name).and(FAULT, breach.what()))));
        }
        int length = name.codePointCount(0, name.length());
        if (role.maxLength() > 0 && length > role.maxLength()) {
            out.putIfAbsent(role.at() + "max", new LintFault(LintCode.NAME_CONTRADICTION, role.at() + "/maxLength",
                    LintWording.ROLE_NAME_LONG
                            .say(Facts.of(ROLE, role.role()).and(FOUND, name).and(COUNT, length).and(MOST, role.maxLength()))));
        }
    }

    /** Names of the root, of folders and of companions: only what a system refuses. */
    private static void portable(LintSubject subject, RosterFields student, boolean first, Map<String, LintFault> out) {
        refusal(subject, student, subject.kit().root(), "/root/name", "root", out);
        for (int i = 0; i < subject.kit().folders().size(); i++) {
            FolderRule rule = subject.kit().folders().get(i);
            for (NamePattern name : rule.path().names()) {
                if (!first && name.rosterFields().isEmpty()) {
                    // The same for everybody, and looked at once.
                    continue;
                }
                refusal(subject, student, name, "/folders/" + i + "/path", "folder", out);
            }
        }
        if (!first) {
            return;
        }
        for (int i = 0; i < subject.kit().companions().size(); i++) {
            told(subject.kit().companions().get(i).name(), "/companions/" + i + "/name", "companion", out);
        }
        for (int i = 0; i < subject.kit().starter().size(); i++) {
            for (String name : subject.kit().starter().get(i).path().names()) {
                told(name, "/starter/" + i + "/path", "starter", out);
            }
        }
    }

    private static void refusal(LintSubject subject, RosterFields student, NamePattern pattern, String at, String what,
            Map<String, LintFault> out) {
        pattern.shortest(student, subject.kit().ascii(), false).ifPresent(name -> told(name, at, what, out));
    }

    private static void told(String name, String at, String what, Map<String, LintFault> out) {
        PortableName.refusal(name).ifPresent(refusal -> out.putIfAbsent(at, new LintFault(LintCode.NAME_IMPOSSIBLE, at,
                LintWording.NAME_REFUSED.say(Facts.of(HOW, what).and(FOUND, name).and(FAULT, refusal.what())))));
    }
}
