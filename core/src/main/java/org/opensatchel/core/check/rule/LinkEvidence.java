package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.formats.link.DocumentLinks;

/** What the documents name, and where it leads. */
public interface LinkEvidence {

    List<ResolvedLink> links();

    List<DocumentLinks> documents();

    /** What else explains why a link is broken. */
    Optional<Cause> causeOf(ResolvedLink link);

    /** The machines the kit requires on which a link does not open; only asked of links that are known to lead to a file. */
    List<String> breaksOn(ResolvedLink link);

    /** Whether another alternative of the same link opens. */
    boolean hasBetter(ResolvedLink link);

    /** Whether it is a guess that may be no more than a name. */
    boolean isMereName(ResolvedLink link);

    /** Whether it stands in a kept older version of another document. */
    boolean isOlder(ResolvedLink link);

    /** Whether a document is a kept older version of another. */
    boolean isOlder(ProjectPath document);
}
