package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;

/** The longest root with the longest path planned in it still is a path on every machine of the kit. */
final class PathLength implements LintRule {

    /** A kit that names no machine has to open on a Windows desk, whose paths are the shortest. */
    private static final String NARROWEST = "lab-windows";

    private record Planned(String at, String path) {}

    @Override
    public List<LintFault> judge(LintSubject subject) {
        List<LintFault> out = new ArrayList<>();
        RosterFields student = subject.longest();
        List<Planned> planned = planned(subject, student);
        List<String> machines = subject.kit().machines().isEmpty() ? List.of(NARROWEST) : subject.kit().machines();
        for (String name : machines) {
            Machine machine = Machine.shipped(name).orElseThrow();
            planned.stream().reduce((first, next) -> next.path.length() > first.path.length() ? next : first)
                    .flatMap(longest -> path(machine, subject.root(student), longest)).ifPresent(out::add);
            planned.stream().flatMap(one -> name(machine, one).stream()).findFirst().ifPresent(out::add);
        }
        return out;
    }

    private static List<Planned> planned(LintSubject subject, RosterFields student) {
        Kit kit = subject.kit();
        List<Planned> out = new ArrayList<>();
        out.add(new Planned("/root/name", ""));
        for (int i = 0; i < kit.folders().size(); i++) {
            List<String> names = new ArrayList<>();
            for (NamePattern name : kit.folders().get(i).path().names()) {
                names.add(name.shortest(student, kit.ascii(), false).orElse("a"));
            }
            out.add(new Planned("/folders/" + i + "/path", String.join("/", names)));
        }
        subject.roles().forEach(role -> subject.name(role.name(), role.types(), student)
                .ifPresent(name -> out.add(new Planned(role.at() + "/name", role.in().child(name).text()))));
        for (int i = 0; i < kit.starter().size(); i++) {
            out.add(new Planned("/starter/" + i + "/path", kit.starter().get(i).path().text()));
        }
        return out;
    }

    private static Optional<LintFault> path(Machine machine, String root, Planned longest) {
        String separator = machine.system() == OperatingSystem.WINDOWS ? "\\" : "/";
        String path = machine.root().replace("{root}", root)
                + (longest.path.isEmpty() ? "" : separator + longest.path.replace("/", separator));
        return path.length() <= machine.maxPath() ? Optional.empty()
                : Optional.of(new LintFault(LintCode.PATH_TOO_LONG, longest.at,
                        LintWording.PATH_TOO_LONG.say(
                                Facts.of(FOUND, path).and(COUNT, path.length()).and(PLACE, machine.title()).and(MOST, machine.maxPath()))));
    }

    private static Optional<LintFault> name(Machine machine, Planned planned) {
        for (String name : planned.path.split("/")) {
            if (name.length() > machine.maxName()) {
                return Optional.of(new LintFault(LintCode.PATH_TOO_LONG, planned.at,
                        LintWording.NAME_TOO_LONG.say(
                                Facts.of(FOUND, name).and(COUNT, name.length()).and(PLACE, machine.title()).and(MOST, machine.maxName()))));
            }
        }
        return Optional.empty();
    }
}
