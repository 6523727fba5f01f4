package org.opensatchel.core.timeline;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.path.ProjectPath;

/** The formats whose timelines are read. */
public final class TimelineReaders {

    /** Of longer documents nothing is told: a timeline of ten thousand clips is shorter. */
    public static final int MOST_BYTES = 8 << 20;

    private static final List<TimelineReader> ALL = List.of(new OtioTimelines(), new EdlTimelines());

    private TimelineReaders() {
    }

    /** Whether documents of a format hold timelines that are read. */
    public static boolean reads(String format) {
        return of(format).isPresent();
    }

    public static List<Timeline> read(String format, ProjectPath document, byte[] bytes) {
        return of(format).map(reader -> reader.read(document, bytes)).orElse(List.of());
    }

    private static Optional<TimelineReader> of(String format) {
        return ALL.stream().filter(reader -> reader.format().equals(format)).findFirst();
    }
}
