package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/**
 * One rule. It looks at the evidence it needs, changes nothing, and gives what it finds.
 *
 * @param <E> the evidence it looks at
 */
public interface Rule<E> {

    Class<E> needs();

    /** The codes it gives. What is said about each stands in the bundles of words, and which facts each has in {@link Code}. */
    Set<Code> gives();

    List<Finding> judge(E evidence);
}
