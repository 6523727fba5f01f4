package org.opensatchel.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;

/** Does a number of like tasks on a few threads of its own, which are gone when the last is done. */
public final class Workers {

    /** Set to one where a check that took too much is tried again with less. */
    public static final String THREADS_PROPERTY = "satchel.threads";
    private static final int MOST = Math.min(2, Runtime.getRuntime().availableProcessors());

    /** One of the tasks, by its number. */
    public interface Task {
        void run(int number) throws IOException;
    }

    private Workers() {
    }

    /** How many threads there are: as many as a machine with several users can spare for one of them. */
    public static int most() {
        return Math.max(1, Math.min(MOST, Integer.getInteger(THREADS_PROPERTY, MOST)));
    }

    /**
     * Does all tasks; the caller's thread takes part.
     *
     * @throws IOException what one of them threw; those that are not begun then are left
     */
    public static void run(int threads, int count, Task task) throws IOException {
        AtomicInteger next = new AtomicInteger();
        AtomicReference<Throwable> failure = new AtomicReference<>();
        Runnable work = () -> {
            for (int i = next.getAndIncrement(); i < count && failure.get() == null; i = next.getAndIncrement()) {
                try {
                    task.run(i);
                } catch (IOException | RuntimeException | Error failed) {
                    failure.compareAndSet(null, failed);
                }
            }
        };
        List<Thread> helpers = new ArrayList<>();
        for (int i = 1; i < threads; i++) {
            Thread helper = new Thread(work, "worker-" + i);
            helper.setDaemon(true);
            helper.start();
            helpers.add(helper);
        }
        work.run();
        boolean interrupted = false;
        for (Thread helper : helpers) {
            interrupted |= joined(helper);
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
        rethrow(failure.get());
    }

    /** Waits to the end, since the tasks use what the caller will close; tells whether it was asked to stop meanwhile. */
    private static boolean joined(Thread helper) {
        boolean interrupted = false;
        while (true) {
            try {
                helper.join();
                return interrupted;
            } catch (InterruptedException asked) {
                interrupted = true;
            }
        }
    }

    private static void rethrow(Throwable failed) throws IOException {
        if (failed instanceof IOException io) {
            throw io;
        }
        if (failed instanceof RuntimeException runtime) {
            throw runtime;
        }
        if (failed instanceof Error error) {
            throw error;
        }
    }
}
