package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.CHANGE;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.NEWER;
import static org.opensatchel.base.fact.FactName.VERSION;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import org.opensatchel.core.kit.KitDifference;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;

/** The project was made from an earlier version of the kit; it is judged by that one, and told what changed since. */
final class OutdatedKit implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_KIT_OUTDATED);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        if (evidence.kit().isEmpty()) {
            return List.of();
        }
        Kit kit = evidence.kit().get();
        if (evidence.newer().filter(newer -> newer.version() > kit.version()).isPresent()) {
            Kit newer = evidence.newer().get();
            List<Finding> changes = new ArrayList<>();
            KitDifference.between(kit, newer).forEach(
                    change -> changes.add(Finding.of(Code.STRUCTURE_KIT_OUTDATED).fact(HOW, "change").fact(CHANGE, change.what()).make()));
            return List.of(outdated("newer", kit.version(), newer.version()).withConsequences(changes));
        }
        OptionalInt made = evidence.marker().version();
        return made.isPresent() && made.getAsInt() < kit.version()
                ? List.of(outdated("held", made.getAsInt(), kit.version()))
                : List.of();
    }

    private static Finding outdated(String how, int version, int newer) {
        return Finding.of(Code.STRUCTURE_KIT_OUTDATED).fact(HOW, how).fact(VERSION, version).fact(NEWER, newer).make();
    }
}
