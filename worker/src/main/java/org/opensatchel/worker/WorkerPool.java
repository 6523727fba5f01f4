package org.opensatchel.worker;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Predicate;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.worker.WorkOutcome.Reason;

/**
 * Warm workers, handed out one to each caller. A worker that failed is never used again, and one that did very many
 * checks is replaced, so that nothing a check leaves behind adds up. Safe for use by many threads.
 */
public final class WorkerPool implements AutoCloseable {

    private static final int CHECKS_A_WORKER = 200;

    private final WorkerSettings settings;
    private final ScheduledExecutorService clock = Executors.newScheduledThreadPool(1, task -> {
        Thread thread = new Thread(task, "worker-clock");
        thread.setDaemon(true);
        return thread;
    });
    private final Deque<CheckWorker> idle = new ArrayDeque<>();
    private final Set<CheckWorker> all = new HashSet<>();
    private boolean closed;

    public WorkerPool(WorkerSettings settings) {
        this.settings = settings;
    }

    /** Starts as many workers before they are needed. */
    public void warm(int count) throws IOException {
        for (int i = 0; i < count; i++) {
            give(start());
        }
    }

    /** Carries out an order, and waits for it. */
    public WorkOutcome run(WorkOrder order, ScanProgress progress) {
        return run(worker -> worker.run(order, progress), WorkOutcome.Done.class::isInstance,
                outcome -> outcome instanceof WorkOutcome.Failed failed && failed.reason() == Reason.DIED, WorkOutcome.Failed::new);
    }

    /**
     * Carries out an errand, and waits for it no longer than it may take.
     *
     * @param stopped whether nobody wants the answer any more; asked now and then
     */
    public ErrandOutcome run(Errand errand, Duration time, BooleanSupplier stopped) {
        return run(worker -> worker.run(errand, time, stopped), ErrandOutcome.Answered.class::isInstance,
                outcome -> outcome instanceof ErrandOutcome.Failed failed && failed.reason() == Reason.DIED, ErrandOutcome.Failed::new);
    }

    private <T> T run(Function<CheckWorker, T> work, Predicate<T> good, Predicate<T> died, BiFunction<Reason, String, T> failed) {
        // One that waited here may have ended meanwhile, which says nothing of the project: a fresh one tries once more.
        return tried(work, good, died, failed, true).or(() -> tried(work, good, died, failed, false)).orElseThrow();
    }

    /**
     * @param waiting whether a worker may be one that waited
     * @return empty when it was gone before it got the order
     */
    private <T> Optional<T> tried(Function<CheckWorker, T> work, Predicate<T> good, Predicate<T> died, BiFunction<Reason, String, T> failed,
            boolean waiting) {
        CheckWorker worker;
        try {
            worker = waiting ? take() : start();
        } catch (IOException | IllegalStateException none) {
            return Optional.of(failed.apply(Reason.STORE, "no worker could be started: " + none.getMessage()));
        }
        T outcome = work.apply(worker);
        if (good.test(outcome) && worker.done() < CHECKS_A_WORKER) {
            give(worker);
        } else {
            drop(worker);
        }
        boolean gone = waiting && died.test(outcome) && !worker.wasHeard();
        return gone ? Optional.empty() : Optional.of(outcome);
    }

    /** The same once more with half the threads. */
    public WorkOutcome runWithLess(WorkOrder order, ScanProgress progress) {
        return run(order.halved(), progress);
    }

    /** The processes there are now. */
    public synchronized List<Long> processes() {
        return all.stream().filter(CheckWorker::isAlive).map(CheckWorker::pid).sorted().toList();
    }

    private CheckWorker take() throws IOException {
        CheckWorker ready;
        while ((ready = next()) != null) {
            if (ready.isAlive()) {
                return ready;
            }
            drop(ready);
        }
        return start();
    }

    private synchronized CheckWorker next() {
        return idle.poll();
    }

    private CheckWorker start() throws IOException {
        CheckWorker worker = new CheckWorker(settings, clock);
        synchronized (this) {
            if (!closed) {
                all.add(worker);
                return worker;
            }
        }
        worker.close();
        throw new IllegalStateException("the server is being stopped");
    }

    private synchronized void give(CheckWorker worker) {
        if (closed) {
            worker.close();
        } else {
            idle.push(worker);
        }
    }

    private synchronized void drop(CheckWorker worker) {
        all.remove(worker);
        worker.close();
    }

    @Override
    public synchronized void close() {
        closed = true;
        all.forEach(CheckWorker::close);
        all.clear();
        idle.clear();
        clock.shutdownNow();
    }
}
