package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** One rule. It looks at the evidence, changes nothing, and gives what it finds. */
public interface Check {

    /** The codes it gives, with what is said about each. */
    Map<Code, Advice> catalogue();

    List<Finding> judge(Evidence evidence);
}
