package org.opensatchel.core.resolve;

import java.util.List;
import java.util.OptionalInt;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.location.Machine;

/**
 * What became of a project on a machine.
 *
 * @param opens how many links open there
 * @param broken the links that do not, in order
 * @param refused files that cannot be written there
 */
public record Carried(Machine machine, int opens, List<Broken> broken, List<Refused> refused) {

    public Carried {
        broken = List.copyOf(broken);
        refused = List.copyOf(refused);
    }

    /**
     * A link that does not open there.
     *
     * @param index its place among all links
     * @param why completes “It does not open there: …”
     */
    public record Broken(int index, ResolvedLink link, Phrase why) {}

    /** A file that cannot be there, and why. */
    public record Refused(ProjectPath path, Phrase why) {

        /** How long its whole path is there, in the machine's units, where that is what refuses it. */
        public OptionalInt pathLength() {
            return why.key().equals(CarryWording.PATH_TOO_LONG.key()) ? OptionalInt.of((int) why.facts().number(FactName.COUNT))
                    : OptionalInt.empty();
        }
    }
}
