package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.PERSON;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NameVerdict;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/** The name of the root: not as the kit makes it, or somebody else's. */
final class RootName implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.NAME_ROOT, Code.NAME_SOMEONE_ELSE);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        if (evidence.kit().isEmpty() || evidence.tree().rootName().isEmpty()) {
            return List.of();
        }
        Kit kit = evidence.kit().get();
        String name = evidence.tree().rootName().get();
        if (!(kit.root().test(name, evidence.fields(), kit.ascii()) instanceof NameVerdict.Differs differs)) {
            return List.of();
        }
        Optional<RosterFields> other = evidence.roster().stream()
                .filter(fields -> !fields.equals(evidence.fields()) && kit.root().test(name, fields, kit.ascii()).fits()).findFirst();
        if (other.isPresent()) {
            return List.of(Finding.of(Code.NAME_SOMEONE_ELSE).explains(new Cause(Cause.Kind.NAME, ProjectPath.ROOT))
                    .fact(FOUND, name).fact(PERSON, person(other.get())).make());
        }
        Optional<String> right = kit.root().make(evidence.fields(), kit.ascii()).or(differs::nearest)
                .filter(nearest -> !nearest.equals(name));
        return List.of(Finding.of(Code.NAME_ROOT).explains(new Cause(Cause.Kind.NAME, ProjectPath.ROOT))
                .causedBy(new Cause(Cause.Kind.ROOT, ProjectPath.ROOT))
                .proposal(right.map(nearest -> new Candidate(ProjectPath.of(nearest), Reason.RIGHT_NAME, 0.9)))
                .fact(FOUND, name).facts(NameFault.of(name, differs, right)).make());
    }

    /** Whether the root bears the name of these fields and not of those it was handed in for. */
    static boolean isOf(PlanEvidence evidence, RosterFields fields) {
        Kit kit = evidence.kit().orElseThrow();
        String name = evidence.tree().rootName().orElseThrow();
        return kit.root().test(name, fields, kit.ascii()).fits() && !kit.root().test(name, evidence.fields(), kit.ascii()).fits();
    }

    static String person(RosterFields fields) {
        return (fields.values().getOrDefault(RosterField.FIRST, "") + " " + fields.values().getOrDefault(RosterField.LAST, "")).strip();
    }
}
