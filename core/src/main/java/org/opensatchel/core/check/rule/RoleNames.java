package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.naming.NameVerdict;
import org.opensatchel.core.naming.RosterFields;

/** Documents and required files under a wrong name, and those that should be named like another but are not. */
final class RoleNames implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_DOCUMENT, Code.NAME_FILE, Code.NAME_SOMEONE_ELSE, Code.NAME_VERSION_MISSING);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        List<PlannedRole> roles = evidence.plan().map(PlanMatch::roles).orElse(List.of());
        for (PlannedRole role : roles) {
            role.misnamed().forEach(path -> misnamed(evidence, role, path).ifPresent(out::add));
            role.namedLike().ifPresent(model -> unlike(roles, role, model).forEach(out::add));
        }
        return out;
    }

    private static Optional<Finding> misnamed(PlanEvidence evidence, PlannedRole role, ProjectPath path) {
        boolean ascii = evidence.kit().orElseThrow().ascii();
        if (!(role.name().test(path.stem(), evidence.fields(), ascii) instanceof NameVerdict.Differs differs)) {
            return Optional.empty();
        }
        Optional<RosterFields> other = evidence.roster().stream()
                .filter(fields -> !fields.equals(evidence.fields()) && role.name().test(path.stem(), fields, ascii).fits()).findFirst();
        if (other.isPresent() && !role.name().rosterFields().isEmpty()) {
            return Optional.of(Finding.of(Code.NAME_SOMEONE_ELSE).path(path).explains(new Cause(Cause.Kind.NAME, path))
                    .fact(FOUND, path.name()).fact(PERSON, RootName.person(other.get())).make());
        }
        String ending = path.name().substring(path.stem().length());
        Optional<String> right = role.name().make(evidence.fields(), ascii).or(differs::nearest).map(stem -> stem + ending)
                .filter(name -> evidence.tree().alike(path.parent().child(name).text()).stream().allMatch(path::equals));
        if (role.name().withoutVersion().filter(rest -> rest.test(path.stem(), evidence.fields(), ascii).fits()).isPresent()) {
            return Optional.of(Finding.of(Code.NAME_VERSION_MISSING).path(path).explains(new Cause(Cause.Kind.NAME, path))
                    .proposal(proposal(path, right))
                    .fact(ROLE, role.role()).fact(EXPECTED, right).make());
        }
        Code code = role.document() ? Code.NAME_DOCUMENT : Code.NAME_FILE;
        return Optional.of(Finding.of(code).path(path).explains(new Cause(Cause.Kind.NAME, path))
                .proposal(proposal(path, right))
                .fact(ROLE, role.role()).facts(NameFault.of(path.stem(), differs, right)).make());
    }

    private static Optional<Candidate> proposal(ProjectPath path, Optional<String> right) {
        return right.map(name -> new Candidate(path.parent().child(name), Reason.RIGHT_NAME, 0.9));
    }

    private static List<Finding> unlike(List<PlannedRole> roles, PlannedRole role, String model) {
        List<String> stems = roles.stream().filter(other -> other.role().equals(model)).flatMap(other -> other.fitting().stream())
                .map(path -> NameFolding.composed(path.stem())).toList();
        if (stems.isEmpty()) {
            return List.of();
        }
        Code code = role.document() ? Code.NAME_DOCUMENT : Code.NAME_FILE;
        return role.fitting().stream().filter(path -> !stems.contains(NameFolding.composed(path.stem())))
                .map(path -> Finding.of(code).path(path).explains(new Cause(Cause.Kind.NAME, path))
                        .fact(ROLE, role.role()).fact(HOW, "unlike").fact(OTHER, model).fact(EXPECTED, stems.get(stems.size() - 1)).make())
                .toList();
    }
}
