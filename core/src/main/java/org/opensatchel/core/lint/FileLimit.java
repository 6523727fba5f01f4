package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.Machine;

/** The kit allows longer files than a machine or drive that it names can hold. */
final class FileLimit implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        Kit kit = subject.kit();
        Optional<Machine> narrowest = kit.machines().stream().flatMap(name -> Machine.shipped(name).stream())
                .min(Comparator.comparingLong(Machine::fileBytes));
        if (narrowest.isEmpty() || kit.limits().fileBytes().isEmpty()
                || kit.limits().fileBytes().getAsLong() <= narrowest.get().fileBytes()) {
            return List.of();
        }
        return List.of(new LintFault(LintCode.LIMIT_TOO_HIGH, "/limits/fileBytes", LintWording.LIMIT_OVER_MACHINE
                .say(Facts.of(BYTES, kit.limits().fileBytes().getAsLong()).and(MOST_BYTES, narrowest.get().fileBytes()).and(PLACE,
                        narrowest.get().title()))));
    }
}
