package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.ROLE;
import static org.opensatchel.base.fact.FactName.TYPE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.project.ProjectFile;

/** Documents and files the student has to make that are missing, or lie in the wrong place. */
final class RoleFiles implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_DOCUMENT_MISSING, Code.STRUCTURE_DOCUMENT_MISPLACED, Code.ASSET_REQUIRED_MISSING,
                Code.STRUCTURE_FILE_FORBIDDEN, Code.ASSET_TYPE_NOT_ACCEPTED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PlannedRole role : evidence.plan().map(PlanMatch::roles).orElse(List.of())) {
            if (role.need() == Need.FORBIDDEN) {
                role.fitting()
                        .forEach(found -> out.add(Finding.of(Code.STRUCTURE_FILE_FORBIDDEN).path(found).fact(ROLE, role.role()).make()));
            }
            role.otherType().forEach(found -> out.add(otherType(role, found)));
            role.misplaced().forEach(found -> misplaced(evidence, role, found).ifPresent(out::add));
            if (!role.isFilled() && role.need() == Need.REQUIRED) {
                List<PlannedRole> others = either(evidence, role);
                boolean first = others.isEmpty() || others.get(0) == role;
                if (first && others.stream().noneMatch(PlannedRole::isFilled)) {
                    out.add(missing(evidence, role, others.stream().filter(other -> other != role).map(PlannedRole::role).toList()));
                }
            }
        }
        evidence.kit().ifPresent(kit -> kit.demands(Demand.Forbidden.class).forEach(rule -> forbidden(evidence, rule, out)));
        return out;
    }

    private static void forbidden(PlanEvidence evidence, Demand.Forbidden rule, List<Finding> out) {
        Glob glob = rule.glob();
        evidence.tree().ownFiles().stream().map(ProjectFile::path).filter(path -> glob.takes(path) && !evidence.isManaged(path))
                .forEach(path -> out.add(Finding.of(Code.STRUCTURE_FILE_FORBIDDEN).path(path)
                        .fact(PURPOSE, Optional.of(rule.purpose()).filter(why -> !why.isBlank())).make()));
    }

    /** What has to be there is there, in a format that is not asked for. */
    private static Finding otherType(PlannedRole role, ProjectPath found) {
        Finding.Builder finding = Finding.of(Code.ASSET_TYPE_NOT_ACCEPTED).path(found).explains(Roles.cause(role))
                .fact(ROLE, role.role()).fact(TYPES, role.types()).fact(TYPE, found.extension());
        return (role.need() == Need.REQUIRED ? finding.atLeast(Severity.MUST) : finding).make();
    }

    private static Optional<Finding> misplaced(PlanEvidence evidence, PlannedRole role, ProjectPath found) {
        if (role.need() == Need.FORBIDDEN) {
            return Optional.empty();
        }
        boolean named = role.name().test(found.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii()).fits();
        ProjectPath right = role.in().child(named ? found.name() : Roles.expectedName(role, evidence));
        Facts facts = Facts.of(ROLE, role.role()).and(PLACE, Roles.place(role)).and(EXPECTED,
                named ? Optional.empty() : Optional.of(Roles.expectedName(role, evidence)));
        Code code = role.document() ? Code.STRUCTURE_DOCUMENT_MISPLACED : Code.ASSET_REQUIRED_MISSING;
        Optional<Candidate> proposal = named ? Optional.of(new Candidate(right, Reason.PLANNED, 0.9)) : Optional.empty();
        Finding.Builder finding = Finding.of(code).path(role.document() ? found : right).explains(Roles.misplaced(found))
                .explains(Roles.cause(role)).proposal(proposal).facts(facts);
        return Optional.of(role.document() ? finding.make() : finding.fact(HOW, "misplaced").fact(FOUND, found).make());
    }

    /** The roles of which one is enough, this one among them; none where it stands alone. */
    private static List<PlannedRole> either(PlanEvidence evidence, PlannedRole role) {
        return role.either().isEmpty() ? List.of()
                : evidence.plan().orElseThrow().roles().stream().filter(other -> other.either().equals(role.either())).toList();
    }

    private static Finding missing(PlanEvidence evidence, PlannedRole role, List<String> others) {
        String name = Roles.expectedName(role, evidence);
        Optional<String> made = role.name().make(evidence.fields(), evidence.kit().orElseThrow().ascii());
        Code code = role.document() ? Code.STRUCTURE_DOCUMENT_MISSING : Code.ASSET_REQUIRED_MISSING;
        ProjectPath path = role.document() || made.isEmpty() ? role.in() : role.in().child(name);
        Finding.Builder finding = Finding.of(code).path(path).explains(Roles.cause(role))
                .causedBy(Roles.folderCause(evidence.plan().orElseThrow(), role.in()).or(() -> standIn(evidence, path)))
                .fact(ROLE, role.role()).fact(EXPECTED, name)
                .fact(PLACE, Roles.place(role)).fact(OTHERS, Optional.of(others).filter(some -> !some.isEmpty()));
        return role.document() ? finding.make() : finding.fact(HOW, "missing").make();
    }

    /** What lies there instead of the file itself. */
    private static Optional<Cause> standIn(PlanEvidence evidence, ProjectPath wanted) {
        return evidence.standIns().at(wanted).map(path -> new Cause(Cause.Kind.SHORTCUT, path));
    }
}
