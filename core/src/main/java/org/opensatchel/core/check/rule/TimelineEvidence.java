package org.opensatchel.core.check.rule;

import java.util.List;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.timeline.Timeline;

/** The timelines of the documents. */
public interface TimelineEvidence extends PlanEvidence {

    List<Timeline> timelines();

    /** Whether a document's content was read. */
    boolean isRead(ProjectPath document);

    /** Whether a document is an older version of another. */
    boolean isOlder(ProjectPath document);
}
