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
 * Says how far the application has come while it starts, and that it lives once it serves, in one line of a file, for whoever watches it and must
 * tell what is slow from what stands still. Each line differs from the one before.
 */
final class SignsOfLife implements ApplicationStartup {

    /** Names the file; without it nothing is said. */
    static final String FILE = "SATCHEL_STARTING";
    /** What the line begins with while the database is changed, which says nothing of its own until it is done. */
    static final String DATABASE = "database";

    /** What the line begins with once it serves. */
    static final String SERVING = "serving";

    private static final long BEAT_MILLIS = 3_000;
    private static final long EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(300);

    private final Path file;
    private long steps;
    private long told;

    SignsOfLife(Path file) {
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

    /** Says that it serves, again and again: whoever watches it tells one that is asked too much from one that is gone. */
    void serve() {
        Thread life = new Thread(() -> {
            for (long beat = 1;; beat++) {
                say(SERVING + " " + beat);
                try {
                    TimeUnit.MILLISECONDS.sleep(BEAT_MILLIS);
                } catch (InterruptedException ended) {
                    return;
                }
            }
        }, "sign-of-life");
        life.setDaemon(true);
        life.setPriority(Thread.MAX_PRIORITY);
        life.start();
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
