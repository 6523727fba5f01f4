package org.opensatchel.core.location;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What may be wrong with a machine document: sentences. */
public enum MachineWording implements Wording {
    NO_MACHINE,
    NO_NAME,
    NO_SYSTEM,
    NO_ROOT;

    private final Set<FactName> takes;

    MachineWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("machine-fault", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
