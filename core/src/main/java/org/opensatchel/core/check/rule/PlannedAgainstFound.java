package org.opensatchel.core.check.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.match.PlannedStarter;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.core.report.PlanFound.Line;
import org.opensatchel.core.report.PlanFound.State;

/** Lays what is there over what was planned. It judges nothing: what it shows, the rules of the same matches have told. */
public final class PlannedAgainstFound {

    private final PlanEvidence evidence;
    private final PlanMatch plan;
    private final Set<String> tooFew = new HashSet<>();
    private final List<Line> lines = new ArrayList<>();
    private final Map<ProjectPath, Integer> counts = new HashMap<>();

    private PlannedAgainstFound(PlanEvidence evidence, PlanMatch plan, List<Finding> findings) {
        this.evidence = evidence;
        this.plan = plan;
        findings.stream().filter(finding -> finding.code() == Code.STRUCTURE_TOO_FEW).forEach(finding -> tooFew.add(finding.path().text()));
    }

    /** Empty where there is no plan. */
    public static Optional<PlanFound> of(PlanEvidence evidence, List<Finding> findings) {
        return evidence.plan().map(plan -> new PlannedAgainstFound(evidence, plan, findings).made(findings));
    }

    private PlanFound made(List<Finding> findings) {
        Set<ProjectPath> known = new HashSet<>();
        plan.folders().forEach(folder -> known.addAll(folder.found()));
        List<ProjectPath> others = evidence.kit().orElseThrow().folders().isEmpty() ? List.of() : OtherFolder.others(evidence);
        known.addAll(others);
        for (ProjectFile file : evidence.tree().ownFiles()) {
            ProjectPath at = file.path().parent();
            while (!at.isRoot() && !known.contains(at)) {
                at = at.parent();
            }
            counts.merge(at, 1, Integer::sum);
        }
        plan.folders().forEach(this::folder);
        plan.roles().forEach(this::role);
        plan.starters().forEach(this::starter);
        findings.stream().filter(finding -> finding.code() == Code.STRUCTURE_FILE_MISPLACED).forEach(this::stray);
        others.forEach(path -> lines
                .add(new Line(Optional.empty(), Optional.of(path.text()), true, State.extra, "", Optional.empty(), files(path))));
        List<Line> ordered = lines.stream().sorted(Comparator.comparing((Line line) -> line.planned().isEmpty())).toList();
        return new PlanFound(ordered.stream().limit(PlanFound.MOST).toList(), Math.max(0, ordered.size() - PlanFound.MOST));
    }

    private int files(ProjectPath folder) {
        return counts.getOrDefault(folder, 0);
    }

    private void folder(PlannedFolder folder) {
        String need = word(folder.rule().need());
        String says = folder.rule().purpose().strip();
        if (folder.rule().need() == Need.FORBIDDEN) {
            folder.found().forEach(found -> lines.add(
                    new Line(Optional.empty(), Optional.of(found.text()), true, State.extra, says, Optional.of(need), files(found))));
        } else if (folder.found().isEmpty()) {
            boolean asked = folder.rule().need() == Need.REQUIRED;
            boolean plain = folder.rule().path().names().stream().allMatch(name -> name.isMadeByRoster());
            if (asked || plain) {
                lines.add(new Line(Optional.of(shown(folder)), Optional.empty(), true, asked ? State.missing : State.absent, says,
                        Optional.of(need), 0));
            }
        } else {
            for (ProjectPath found : folder.found()) {
                ProjectPath right = plan.shouldBe().containsKey(found) ? plan.shouldBe().get(found) : found;
                State state = folder.kind() == PlannedFolder.Kind.RENAMED ? State.renamed
                        : folder.kind() == PlannedFolder.Kind.MOVED ? State.moved
                                : tooFew.contains(found.text()) || tooFew.contains(folder.planned().text()) ? State.few : State.there;
                lines.add(new Line(Optional.of(right.text()), Optional.of(found.text()).filter(path -> !path.equals(right.text())), true,
                        state,
                        says, Optional.of(need), files(found)));
            }
        }
    }

    /** A pattern is shown filled with an example of what may stand there. */
    private String shown(PlannedFolder folder) {
        FolderRule rule = folder.rule();
        List<String> names = rule.path().names().stream()
                .map(name -> name.make(evidence.fields(), ascii()).orElseGet(() -> name.example(evidence.fields(), ascii()))).toList();
        return String.join("/", names);
    }

    private boolean ascii() {
        return evidence.kit().orElseThrow().ascii();
    }

    private void role(PlannedRole role) {
        if (role.need() == Need.FORBIDDEN) {
            return;
        }
        String expected = role.in().child(Roles.expectedName(role, evidence)).text();
        Optional<String> need = Optional.of(word(role.need()));
        role.fitting().forEach(found -> lines.add(new Line(Optional.of(plan.canonical(found).text()),
                Optional.of(found.text()).filter(path -> !path.equals(plan.canonical(found).text())), false, State.there, role.role(), need,
                0)));
        role.misnamed().forEach(found -> lines.add(file(expected, found, State.renamed, role.role(), need)));
        role.misplaced().forEach(found -> lines.add(file(role.in().child(found.name()).text(), found, State.moved, role.role(), need)));
        role.otherType().forEach(found -> lines.add(file(expected, found, State.type, role.role(), need)));
        if (!role.isFilled() && role.need() == Need.REQUIRED) {
            lines.add(new Line(Optional.of(expected), Optional.empty(), false, State.missing, role.role(), need, 0));
        }
    }

    private static Line file(String planned, ProjectPath found, State state, String says, Optional<String> need) {
        return new Line(Optional.of(planned), Optional.of(found.text()), false, state, says, need, 0);
    }

    private void starter(PlannedStarter starter) {
        String planned = starter.file().path().text();
        switch (starter.kind()) {
            case MISSING -> lines.add(new Line(Optional.of(planned), Optional.empty(), false, State.missing, "", Optional.empty(), 0));
            case RENAMED -> starter.found().ifPresent(found -> lines.add(file(planned, found, State.renamed, "", Optional.empty())));
            case MOVED -> starter.found().ifPresent(found -> lines.add(file(planned, found, State.moved, "", Optional.empty())));
            default -> {
                // Where it belongs: it counts among the files of its folder.
            }
        }
    }

    private void stray(Finding finding) {
        Optional<String> place = finding.facts().text(FactName.PLACE);
        Optional<String> home = place.map(folder -> folder + "/" + finding.path().name());
        lines.add(new Line(home, Optional.of(finding.path().text()), false, home.isPresent() ? State.moved : State.extra, "",
                Optional.empty(), 0));
    }

    private static String word(Need need) {
        return need.name().toLowerCase(Locale.ROOT);
    }
}
