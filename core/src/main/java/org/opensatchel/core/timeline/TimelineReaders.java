package org.opensatchel.core.timeline;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.path.ProjectPath;

/** The formats whose timelines are read. */
public final class TimelineReaders {

    private static final List<TimelineReader> ALL = List.of(new OtioTimelines(), new EdlTimelines(), new DawTimelines());

    private TimelineReaders() {
    }

    /** How long a document of a format may be for its timelines to be read, in bytes; 0 where none are read of the format. */
    public static int most(String format) {
        return of(format).map(TimelineReader::mostBytes).orElse(0);
    }

    public static List<Timeline> read(String format, ProjectPath document, byte[] bytes) {
        return of(format).map(reader -> reader.read(document, bytes)).orElse(List.of());
    }

    private static Optional<TimelineReader> of(String format) {
        return ALL.stream().filter(reader -> reader.id().equals(format)).findFirst();
    }
}
