package org.opensatchel.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.concurrent.TimeUnit;
import org.springframework.core.metrics.ApplicationStartup;
import org.springframework.core.metrics.StartupStep;

/**
 * Says how far the application has come while it starts, in one line of a file, for whoever watches it and must tell a slow start from one that
 * stands still. Each line differs from the one before.
 */
final class Starting implements ApplicationStartup {

    /** Names the file; without it nothing is said. */
    static final String FILE = "SATCHEL_STARTING";
    /** What the line begins with while the database is changed, which says nothing of its own until it is done. */
    static final String DATABASE = "database";

    private static final long EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(300);

    private final Path file;
    private long steps;
    private long told;

    Starting(Path file) {
        this.file = file;
    }

    @Override
    public StartupStep start(String name) {
        steps++;
        if (System.nanoTime() - told > EVERY_NANOS) {
            say("parts " + steps);
        }
        return ApplicationStartup.DEFAULT.start(name);
    }

    /** Says it at once. */
    void say(String line) {
        told = System.nanoTime();
        try {
            Path next = file.resolveSibling(file.getFileName() + ".next");
            Files.write(next, (line + "\n").getBytes(StandardCharsets.UTF_8));
            Files.move(next, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException full) {
            // Whoever watches sees the process work all the same.
        }
    }
}
