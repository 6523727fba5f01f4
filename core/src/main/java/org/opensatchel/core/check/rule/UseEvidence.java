package org.opensatchel.core.check.rule;

import java.util.Map;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.match.Proxy;

/** Which files are used: contents and links together. */
public interface UseEvidence extends ContentEvidence, LinkEvidence {

    /** Whether every document there is could be read, so that what nothing names is really named by nothing. */
    boolean allLinksKnown();

    /** Everything some link leads to. */
    Set<ProjectPath> linked();

    /** Stand-ins of lower resolution, by their paths; none where no kit says how to know them. */
    Map<ProjectPath, Proxy> proxies();
}
