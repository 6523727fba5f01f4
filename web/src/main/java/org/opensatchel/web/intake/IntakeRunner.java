package org.opensatchel.web.intake;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.opensatchel.web.audit.AuditAction;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Detail;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.DatabaseAway;
import org.opensatchel.web.storage.MadeFiles;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.upload.HandInReceiver;
import org.opensatchel.worker.Delivered;
import org.opensatchel.worker.Delivered.Fault;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes in what was assigned, one after the other: whatever is wrong with one is told at it, and the next goes on. What a server was at that is
 * gone is taken up half a minute later by whichever is there, and no item twice: that it was taken in and its hand-in are one step.
 */
@Component
class IntakeRunner implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(IntakeRunner.class);
    /** Without a sign of life for so long, whoever was at it is gone. */
    private static final Duration LOST = Duration.ofSeconds(30);
    private static final long BEAT_MILLIS = 5_000;
    private static final long POLL_MILLIS = 2_000;

    private final IntakeRows intakes;
    private final CourseService courses;
    private final HandInReceiver receiver;
    private final ContentStore store;
    private final AuditService audit;
    private final Batches batches;
    private final MadeFiles made;
    private final SatchelProperties properties;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final Semaphore woken = new Semaphore(0);
    private ScheduledExecutorService threads;
    private volatile boolean running;

    IntakeRunner(IntakeRows intakes, CourseService courses, HandInReceiver receiver, ContentStore store, AuditService audit,
            Batches batches,
            MadeFiles made, SatchelProperties properties, Clock clock, PlatformTransactionManager transactions) {
        this.intakes = intakes;
        this.courses = courses;
        this.receiver = receiver;
        this.store = store;
        this.audit = audit;
        this.batches = batches;
        this.made = made;
        this.properties = properties;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** There is something to do. */
    void wake() {
        woken.release();
    }

    @Override
    public synchronized void start() {
        running = true;
        threads = Executors.newScheduledThreadPool(2, BasicThreadFactory.builder().namingPattern("intake-%d").daemon(true).build());
        threads.execute(this::work);
    }

    /** The item that is being taken in is finished, if there is time; nothing of it is broken off, and the rest waits for whoever comes next. */
    @Override
    public void stop(Runnable stopped) {
        running = false;
        woken.release();
        ScheduledExecutorService ending = threads;
        ending.shutdown();
        Thread waiting = new Thread(() -> {
            try {
                ending.awaitTermination(1, TimeUnit.MINUTES);
            } catch (InterruptedException asked) {
                Thread.currentThread().interrupt();
            } finally {
                stopped.run();
            }
        }, "intake-stop");
        waiting.setDaemon(true);
        waiting.start();
    }

    @Override
    public void stop() {
        stop(() -> {});
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    private void work() {
        while (running) {
            try {
                Optional<Claim> claim = claim();
                if (claim.isPresent()) {
                    carryOn(claim.get());
                } else {
                    woken.tryAcquire(POLL_MILLIS, TimeUnit.MILLISECONDS);
                }
            } catch (InterruptedException asked) {
                return;
            } catch (RuntimeException down) {
                LOG.warn("a round of intakes failed: {}", down.toString());
                pause();
            }
        }
    }

    private static void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(POLL_MILLIS);
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        }
    }

    private record Claim(IntakeView intake, String token) {}

    private Optional<Claim> claim() {
        String token = UUID.randomUUID().toString();
        Instant now = clock.instant();
        return transaction.execute(
                status -> intakes.claim(token, now, now.minus(LOST)).flatMap(intakes::find).map(intake -> new Claim(intake, token)));
    }

    private void carryOn(Claim claim) {
        boolean[] lost = {false};
        ScheduledFuture<?> beating = threads.scheduleWithFixedDelay(() -> lost[0] |= !alive(claim), BEAT_MILLIS, BEAT_MILLIS,
                TimeUnit.MILLISECONDS);
        AssignmentView assignment = courses.forJob(claim.intake.assignment());
        try {
            for (ItemView item : items(claim)) {
                if (!running || lost[0]) {
                    transaction.executeWithoutResult(status -> intakes.release(claim.intake.id(), claim.token));
                    return;
                }
                take(assignment, claim, item);
            }
        } finally {
            beating.cancel(false);
        }
        if (!lost[0]) {
            end(assignment, claim);
        }
    }

    private java.util.List<ItemView> items(Claim claim) {
        return transaction.execute(status -> intakes.items(claim.intake.id())).stream()
                .filter(item -> item.state() == ItemView.State.OPEN).toList();
    }

    private boolean alive(Claim claim) {
        try {
            return Boolean.TRUE.equals(transaction.execute(status -> intakes.alive(claim.intake.id(), claim.token, clock.instant())));
        } catch (RuntimeException down) {
            // A database that is away for a moment takes nothing from anybody.
            return true;
        }
    }

    private void end(AssignmentView assignment, Claim claim) {
        long id = claim.intake.id();
        boolean done = Boolean.TRUE
                .equals(transaction.execute(status -> intakes.move(id, IntakeView.State.RUNNING, IntakeView.State.DONE)));
        IntakeView after = transaction.execute(status -> intakes.find(id)).orElse(claim.intake);
        audit.log(claim.intake.madeBy(), new AuditService.About(assignment.id(), 0, 0), AuditAction.TOOK_IN,
                Detail.of(done ? "intake.logged" : "intake.logged-cancelled", after.name(), after.taken()));
    }

    /** One of them; whatever is wrong with it is kept with it, and the next goes on. */
    private void take(AssignmentView assignment, Claim claim, ItemView item) {
        long id = claim.intake.id();
        try (MadeFiles.Folder folder = made.folder()) {
            Student student = courses.student(assignment, item.enrolment());
            Path archive = folder.path().resolve("archive");
            long most = properties.maxUpload().toBytes();
            long room = made.room();
            Delivered.Single one = batches.take(assignment, claim.intake, item, archive, Math.min(room, most));
            if (one.fault().isPresent()) {
                Fault fault = one.fault().get() == Fault.TOO_LARGE && room < most ? Fault.NO_ROOM : one.fault().get();
                LOG.info("{} of intake {} could not be taken in: {}", item.ordinal(), id, fault);
                became(claim, item, Batches.word(fault));
                return;
            }
            Stored stored;
            try (InputStream content = Files.newInputStream(archive)) {
                stored = store.store(content, properties.maxUpload().toBytes());
            }
            HandInReceiver.Arrived arrived = receiver.archive(one.fileName(), stored, clock.instant());
            transaction.executeWithoutResult(status -> {
                // Whoever was thought gone may have taken it in after all.
                if (intakes.isOpen(id, item.ordinal(), claim.token)) {
                    long handIn = receiver.take(new CourseService.Membership(assignment, student), arrived);
                    intakes.became(id, item.ordinal(), ItemView.State.TAKEN, null, handIn);
                }
            });
        } catch (NoRoom full) {
            became(claim, item, Batches.word(Fault.NO_ROOM));
        } catch (IOException unreadable) {
            LOG.info("{} of intake {} could not be taken in: {}", item.ordinal(), id, unreadable.toString());
            became(claim, item, Batches.word(Fault.UNREADABLE));
        } catch (Errands.NoAnswer none) {
            became(claim, item, none.isGone() ? Batches.word(Fault.UNREADABLE) : none.isOfSize() ? Batches.word(Fault.TOO_LARGE) : "broke");
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            if (DatabaseAway.is(broke)) {
                // Without the database nothing is known of the item: it is as open as before, and taken up again when there is one.
                throw broke;
            }
            LOG.error("{} of intake {} could not be taken in", item.ordinal(), id, broke);
            became(claim, item, "broke");
        }
    }

    private void became(Claim claim, ItemView item, String trouble) {
        transaction.executeWithoutResult(status -> {
            if (intakes.isOpen(claim.intake.id(), item.ordinal(), claim.token)) {
                intakes.became(claim.intake.id(), item.ordinal(), ItemView.State.FAILED, trouble, null);
            }
        });
    }
}
