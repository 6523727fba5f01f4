package org.opensatchel.core.check.rule;

import java.util.Map;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.timeline.Timeline;

/** What timelines use of the media there are, and which files are used at all. */
public interface TimelineMediaEvidence extends TimelineEvidence, UseEvidence {

    /** The files a timeline uses, each with how many seconds of the timeline it fills. */
    Map<ProjectPath, Double> used(Timeline timeline);
}
