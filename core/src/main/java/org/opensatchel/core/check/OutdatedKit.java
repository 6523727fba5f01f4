package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.opensatchel.core.compare.KitDifference;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;

/** The project was made from an earlier version of the kit; it is judged by that one, and told what changed since. */
final class OutdatedKit implements Check {

    private static final Advice OUTDATED = Advice.of("There is a newer kit", "What changed since may be asked of the next hand-in.",
            "Collect the newer kit, or only what changed in it.", "Nothing of what you made has to be done again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_KIT_OUTDATED, OUTDATED);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        if (evidence.kit().isEmpty()) {
            return List.of();
        }
        Kit kit = evidence.kit().get();
        if (evidence.newer().filter(newer -> newer.version() > kit.version()).isPresent()) {
            Kit newer = evidence.newer().get();
            List<Finding> changes = new ArrayList<>();
            KitDifference.between(kit, newer).forEach(change -> changes.add(outdated(change.text().replaceAll("`([^`]*)`", "“$1”"))));
            return List.of(outdated("This project was made from version " + kit.version() + " of the kit; version " + newer.version() + " is out. It was judged by the one it was made from.").withConsequences(changes));
        }
        OptionalInt made = evidence.marker().version();
        return made.isPresent() && made.getAsInt() < kit.version()
                ? List.of(outdated("This project was made from version " + made.getAsInt() + " of the kit; it is held against version " + kit.version() + ".")) : List.of();
    }

    private static Finding outdated(String message) {
        return Finding.of(Code.STRUCTURE_KIT_OUTDATED, OUTDATED).saying(message);
    }
}
