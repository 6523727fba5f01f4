package org.opensatchel.core.check.rule;

import java.util.List;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.resolve.CarryWording;

/**
 * A file that machines which the kit requires cannot hold.
 *
 * @param why the reason on the first of them
 * @param machines their titles
 * @param linked whether a link that has to open breaks there for it
 */
public record RefusedFile(Phrase why, List<String> machines, boolean linked) {

    public RefusedFile {
        machines = List.copyOf(machines);
    }

    boolean isFor(CarryWording reason) {
        return why.key().equals(reason.key());
    }
}
