package org.opensatchel.web.errand;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.worker.Errand;
import org.opensatchel.worker.ErrandOutcome;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.opensatchel.worker.WorkerPool;
import org.opensatchel.worker.WorkerSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.web.bind.annotation.ResponseStatus;

/**
 * Has workers carry out errands. The server itself opens nothing that somebody sent: who waits for an answer holds no thread, one person has a
 * few at once, and of all only so many wait.
 */
@Service
public class Errands {

    private static final Logger LOG = LoggerFactory.getLogger(Errands.class);
    private static final int PREPARED_LATER = 500;

    private final ErrandSettings settings;
    private final WorkerPool workers;
    private final ThreadPoolExecutor asked;
    private final ThreadPoolExecutor prepared;
    private final Places<Long> places;
    private final Semaphore beside;

    Errands(ErrandSettings settings, WorkerCommand command) {
        this.settings = settings;
        this.beside = new Semaphore(settings.beside(), true);
        this.places = new Places<>(settings.waiting(), settings.ofOne());
        this.workers = new WorkerPool(new WorkerSettings(command.java(), command.main(), settings.temporaryFolder(),
                (int) settings.heap().toMegabytes(), (int) settings.memory().toMegabytes(), settings.copy(),
                settings.output().toBytes()));
        this.asked = threads(settings.workers(), settings.waiting() + settings.workers(), "errand-%d");
        this.prepared = threads(1, PREPARED_LATER, "preparing-%d");
    }

    private static ThreadPoolExecutor threads(int count, int waiting, String name) {
        BlockingQueue<Runnable> queue = new ArrayBlockingQueue<>(waiting);
        return new ThreadPoolExecutor(count, count, 1, TimeUnit.MINUTES, queue,
                BasicThreadFactory.builder().namingPattern(name).daemon(true).build());
    }

    /** Where what an errand needs is had. */
    public interface Lending {
        Lent<? extends Errand> lend() throws IOException;
    }

    /** One person, or everybody together, waits for as much as is made at once. */
    @ResponseStatus(HttpStatus.TOO_MANY_REQUESTS)
    public static final class Busy extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Busy() {
            super("too many errands wait");
        }
    }

    /** An errand that brought no answer. */
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    public static final class NoAnswer extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final Reason reason;

        public NoAnswer(Reason reason) {
            super("no answer: " + reason);
            this.reason = reason;
        }

        /** Whether what it was about is not to be had. */
        public boolean isGone() {
            return reason == Reason.STORE;
        }

        /** Whether the worker ended, for no reason that is known. */
        public boolean isOfWorker() {
            return reason == Reason.DIED;
        }

        /** Whether it wanted more time or memory than it may take, which it will again. */
        public boolean isOfSize() {
            return reason.isOfSize();
        }
    }

    /** The longest that a file may take to be shown. */
    public Duration view() {
        return settings.view();
    }

    /** The longest that a page may take to be printed, or a list to be read. */
    public Duration page() {
        return settings.page();
    }

    /** The longest that learning may take. */
    public Duration lesson() {
        return settings.lesson();
    }

    /** The longest that a project may take to be copied. */
    public Duration copy() {
        return settings.copy();
    }

    /**
     * Has an errand carried out for somebody who waits for it.
     *
     * @return completes with the answer, or with {@link NoAnswer}
     * @throws Busy when they, or all together, wait for as much as may be
     */
    public CompletableFuture<byte[]> ask(long account, Lending lending, Duration time) {
        if (!places.take(account)) {
            throw new Busy();
        }
        CompletableFuture<byte[]> answer = new CompletableFuture<>();
        answer.whenComplete((done, failed) -> places.giveBack(account));
        try {
            asked.execute(() -> complete(answer, lending, time));
        } catch (RejectedExecutionException full) {
            answer.cancel(false);
            throw new Busy();
        }
        return answer;
    }

    private void complete(CompletableFuture<byte[]> answer, Lending lending, Duration time) {
        try {
            answer.complete(runNow(lending, time, answer::isDone));
        } catch (RuntimeException none) {
            answer.completeExceptionally(none);
        } finally {
            // Whatever else ended it: nobody waits for ever, and the place is given back.
            answer.cancel(false);
        }
    }

    /**
     * Has an errand carried out that nobody looks at meanwhile, by a thread that has nothing else to do. Of these a few go on at once, and the
     * next wait.
     *
     * @param stopped whether nobody wants the answer any more
     * @throws NoAnswer when it brought none
     */
    public byte[] run(Lending lending, Duration time, BooleanSupplier stopped) {
        try {
            while (!beside.tryAcquire(1, TimeUnit.SECONDS)) {
                if (stopped.getAsBoolean()) {
                    throw new NoAnswer(Reason.STOPPED);
                }
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
            throw new NoAnswer(Reason.STOPPED);
        }
        try {
            return runNow(lending, time, stopped);
        } catch (NoAnswer none) {
            if (!none.isOfWorker() || stopped.getAsBoolean()) {
                throw none;
            }
            // Somebody, or the system, ended it; which says nothing of what it was at.
            return runNow(lending, time, stopped);
        } finally {
            beside.release();
        }
    }

    /** The same at once, for what does not take long. */
    public byte[] runNow(Lending lending, Duration time, BooleanSupplier stopped) {
        ErrandOutcome outcome;
        try (Lent<? extends Errand> lent = lending.lend()) {
            outcome = workers.run(lent.what(), time, stopped);
        } catch (NoSuchFileException gone) {
            throw new NoAnswer(Reason.STORE);
        } catch (IOException ours) {
            LOG.error("what an errand needs could not be had", ours);
            throw new NoAnswer(Reason.BROKE);
        }
        if (outcome instanceof ErrandOutcome.Answered answered) {
            return answered.answer();
        }
        ErrandOutcome.Failed failed = (ErrandOutcome.Failed) outcome;
        LOG.warn("an errand brought no answer ({}: {})", failed.reason(), failed.detail());
        throw new NoAnswer(failed.reason());
    }

    /** Does something later that nobody waits for; where very much is to be done already it is left, and made when somebody asks for it. */
    public void later(Runnable work) {
        try {
            prepared.execute(() -> {
                try {
                    work.run();
                } catch (NoAnswer gone) {
                    // What it was about may be deleted by now; anything else was told where it happened.
                    LOG.debug("something was not prepared", gone);
                } catch (RuntimeException broke) {
                    LOG.warn("something could not be prepared: {}", broke.toString());
                }
            });
        } catch (RejectedExecutionException full) {
            LOG.info("so much is being prepared that more is left until it is asked for");
        }
    }

    /** How many wait or go on of one person; of all, where none is named. */
    int waiting(Optional<Long> account) {
        return account.map(places::of).orElseGet(places::all);
    }

    @PreDestroy
    void close() {
        asked.shutdownNow();
        prepared.shutdownNow();
        workers.close();
    }
}
