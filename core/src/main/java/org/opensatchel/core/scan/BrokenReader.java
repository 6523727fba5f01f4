package org.opensatchel.core.scan;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Where readers that broke are heard: in the log, once for each place in our code, and without the path, which is a student's. Whoever
 * calls this also tells it in the report.
 */
final class BrokenReader {

    private static final System.Logger LOG = System.getLogger(BrokenReader.class.getName());
    /** A reader that breaks on one document of a class breaks on all of them. */
    private static final Set<String> TOLD = ConcurrentHashMap.newKeySet();

    private BrokenReader() {
    }

    /** @param reader the format it reads, or what else it is for */
    static void tell(String reader, Throwable why) {
        StackTraceElement[] trace = why.getStackTrace();
        if (TOLD.add(reader + " " + why.getClass().getName() + " " + (trace.length == 0 ? "" : trace[0]))) {
            LOG.log(System.Logger.Level.WARNING, () -> "the reader for " + reader + " broke", why);
        }
    }
}
