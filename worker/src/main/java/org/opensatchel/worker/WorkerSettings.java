package org.opensatchel.worker;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;

/**
 * How workers are run.
 *
 * @param java the program that runs them
 * @param main arguments that name class path and main class, our own words alone
 * @param temporary the folder for temporary files
 * @param heapMegabytes most memory for objects
 * @param allMegabytes most memory of the whole process; above it is ended
 * @param time longest a check may take
 * @param outputBytes most bytes of what is brought back
 */
public record WorkerSettings(Path java, List<String> main, Path temporary, int heapMegabytes, int allMegabytes, Duration time,
        long outputBytes) {}
