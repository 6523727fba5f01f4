package org.opensatchel.formats.timeline;

import java.util.List;
import org.opensatchel.base.path.ProjectPath;

/** Reads the timelines of one format. It judges nothing, and of what cannot be read it gives what came before. */
public interface TimelineReader {

    /** Of longer documents nothing is told: a timeline of ten thousand clips is shorter. */
    default int mostBytes() {
        return 8 << 20;
    }

    List<Timeline> read(ProjectPath document, byte[] bytes);
}
