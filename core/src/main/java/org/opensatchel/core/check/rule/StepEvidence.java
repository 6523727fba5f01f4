package org.opensatchel.core.check.rule;

import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.kit.Kit;

/** What every student was to do once, and what this one says they did. */
public interface StepEvidence {

    Optional<Kit> kit();

    /** The keys of the steps that were confirmed; empty where nobody was asked. */
    Optional<Set<String>> confirmed();
}
