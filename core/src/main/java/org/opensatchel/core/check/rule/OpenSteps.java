package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;

/** A step of the kit that has to be confirmed, and was not. */
final class OpenSteps implements Rule<StepEvidence> {

    @Override
    public Class<StepEvidence> needs() {
        return StepEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.HABIT_STEP_OPEN);
    }

    @Override
    public List<Finding> judge(StepEvidence evidence) {
        List<Kit.Step> steps = evidence.kit().map(Kit::steps).orElse(List.of());
        return evidence.confirmed().map(confirmed -> steps.stream().filter(step -> step.confirm() && !confirmed.contains(step.key()))
                .map(step -> Finding.of(Code.HABIT_STEP_OPEN).fact(FOUND, step.title()).make()).toList()).orElse(List.of());
    }
}
