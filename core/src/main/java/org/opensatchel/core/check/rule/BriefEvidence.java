package org.opensatchel.core.check.rule;

import java.util.List;
import org.opensatchel.core.check.brief.Briefed;

/** The files of which the kit's briefs ask something. */
public interface BriefEvidence {

    List<Briefed> briefed();
}
