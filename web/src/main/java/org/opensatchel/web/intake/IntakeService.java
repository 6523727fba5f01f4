package org.opensatchel.web.intake;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.core.intake.Delivery;
import org.opensatchel.core.intake.NameScheme;
import org.opensatchel.core.intake.WhoIsWho;
import org.opensatchel.core.marker.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.ZipWriter;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Deed;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes in what comes other ways than through the student's own page: many people's work in one archive, or in a folder of the server. It is
 * looked at first, and taken in one after the other by one thread; a bad one costs itself alone.
 */
@Service
public class IntakeService implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(IntakeService.class);
    /** Archives of the batch are looked into for their markers up to so many bytes in all, so that a page does not take minutes. */
    private static final long MOST_LOOKED_INTO = 256L << 20;
    private static final int MOST_DELIVERIES = 5_000;
    private static final int LONGEST_NAME = 500;
    private static final Duration LOST = Duration.ofMinutes(2);

    private final IntakeRepository intakes;
    private final CourseService courses;
    private final HandInService handIns;
    private final Contents contents;
    private final ContentStore store;
    private final AuditService audit;
    private final SatchelProperties properties;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final List<Path> folders;
    private ExecutorService work;

    IntakeService(IntakeRepository intakes, CourseService courses, HandInService handIns, Contents contents, ContentStore store,
            AuditService audit,
            SatchelProperties properties, Clock clock, PlatformTransactionManager transactions,
            @Value("${satchel.intake-folders:}") List<String> folders) {
        this.intakes = intakes;
        this.courses = courses;
        this.handIns = handIns;
        this.contents = contents;
        this.store = store;
        this.audit = audit;
        this.properties = properties;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
        this.folders = folders.stream().map(String::strip).filter(path -> !path.isEmpty()).map(Path::of).toList();
    }

    /** A delivery with whose it seems to be. */
    record Line(int ordinal, Delivery delivery, WhoIsWho.Guess guess, Optional<String> trouble) {}

    /** What was found in a batch; readable tells whether it could be opened at all. */
    record Look(boolean readable, List<Line> lines, int more) {}

    /** The folders of this server that work may be taken in from, as its owner set them. */
    List<Path> folders() {
        return folders.stream().filter(Files::isDirectory).toList();
    }

    long begin(AssignmentView assignment, String name, Stored stored, long by) {
        return transaction.execute(status -> {
            contents.own(stored, Purpose.INTAKE, assignment.courseId(), by);
            return intakes.make(assignment.id(), cut(name), stored.sha256(), null, by, clock.instant());
        });
    }

    /** @throws NotAccessible for a folder that is not one of those that may be looked into */
    long begin(AssignmentView assignment, int folder, long by) {
        List<Path> known = folders();
        if (folder < 0 || folder >= known.size()) {
            throw new NotAccessible();
        }
        Path path = known.get(folder);
        return transaction.execute(
                status -> intakes.make(assignment.id(), cut(path.getFileName().toString()), null, path.toString(), by, clock.instant()));
    }

    private static String cut(String name) {
        String plain = name.replace("\0", "");
        return plain.length() <= LONGEST_NAME / 2 ? plain : plain.substring(0, LONGEST_NAME / 2);
    }

    IntakeView find(AssignmentView assignment, long id) {
        return transaction.execute(status -> intakes.find(id)).filter(one -> one.assignment() == assignment.id())
                .orElseThrow(NotAccessible::new);
    }

    List<IntakeView> of(AssignmentView assignment) {
        return transaction.execute(status -> intakes.of(assignment.id()));
    }

    List<ItemView> items(IntakeView intake) {
        return transaction.execute(status -> intakes.items(intake.id()));
    }

    /** An open batch, and the file it is read from. */
    private record Batch(ProjectSource source, Optional<LocalFile> file) implements java.io.Closeable {
        @Override
        public void close() throws IOException {
            try (source) {
                if (file.isPresent()) {
                    file.get().close();
                }
            }
        }
    }

    private Batch open(IntakeView intake) throws IOException {
        if (intake.folder().isPresent()) {
            return new Batch(new FolderSource(Path.of(intake.folder().get())), Optional.empty());
        }
        LocalFile file = contents.local(intake.sha256().orElseThrow());
        try {
            return new Batch(ZipSource.open(file.path()), Optional.of(file));
        } catch (IOException broken) {
            file.close();
            throw broken;
        }
    }

    private List<Delivery> deliveries(Batch batch) throws IOException {
        return batch.source.list(properties.limits().read()) instanceof Intake.Opened opened ? Delivery.of(opened.listing().files())
                : List.of();
    }

    /** What is in it and whose it seems to be, under a scheme of names or without one. */
    Look look(AssignmentView assignment, IntakeView intake, String scheme) {
        transaction.executeWithoutResult(status -> intakes.scheme(intake.id(), scheme));
        List<WhoIsWho.Person> people = courses.roster(assignment).stream()
                .map(student -> new WhoIsWho.Person(student.enrolmentId(), named(student, assignment))).toList();
        WhoIsWho who = new WhoIsWho(people, NameScheme.read(scheme));
        try (Batch batch = open(intake)) {
            List<Delivery> all = deliveries(batch);
            List<Line> lines = new ArrayList<>();
            long left = MOST_LOOKED_INTO;
            for (Delivery delivery : all.stream().limit(MOST_DELIVERIES).toList()) {
                Optional<RosterFields> marker = Optional.empty();
                Optional<String> trouble = Optional.empty();
                if (delivery.archive().isEmpty() || delivery.bytes() <= left) {
                    left -= delivery.archive().isPresent() ? delivery.bytes() : 0;
                    try {
                        marker = Optional.of(marker(batch.source, delivery));
                    } catch (IOException unreadable) {
                        trouble = Optional.of("unreadable");
                    }
                }
                lines.add(new Line(lines.size(), delivery, who.guess(delivery.bareName(), marker.orElse(RosterFields.NONE)), trouble));
            }
            return new Look(!all.isEmpty(), lines, Math.max(0, all.size() - lines.size()));
        } catch (IOException unreadable) {
            return new Look(false, List.of(), 0);
        }
    }

    /** As the roster has it, not as file names do. */
    private static RosterFields named(Student student, AssignmentView assignment) {
        return new Student(student.enrolmentId(), student.accountId(), student.last(), student.first(), student.number(), student.section(),
                "", "", false,
                student.team()).fields(assignment);
    }

    private RosterFields marker(ProjectSource batch, Delivery delivery) throws IOException {
        if (delivery.archive().isEmpty()) {
            Optional<SourceEntry> file = nearest(delivery.files());
            return file.isPresent() ? read(batch, file.get()) : RosterFields.NONE;
        }
        Path copy = Files.createTempFile("satchel-intake", ".zip");
        try {
            try (InputStream content = batch.open(delivery.archive().get())) {
                Files.copy(content, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            }
            try (ZipSource inner = ZipSource.open(copy)) {
                if (!(inner.list(properties.limits().read()) instanceof Intake.Opened opened)) {
                    throw new IOException("no archive");
                }
                Optional<SourceEntry> file = nearest(opened.listing().files());
                return file.isPresent() ? read(inner, file.get()) : RosterFields.NONE;
            }
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    private static Optional<SourceEntry> nearest(List<SourceEntry> files) {
        return files.stream().filter(file -> file.path().endsWith("/" + Marker.FILE) || file.path().equals(Marker.FILE))
                .min(Comparator.comparingInt(file -> file.path().length()));
    }

    private static RosterFields read(ProjectSource source, SourceEntry file) throws IOException {
        try (InputStream content = source.open(file)) {
            return Marker.read(content.readNBytes(Marker.MAX_BYTES)).fields();
        }
    }

    /** Begins to take in what was assigned, by its place in the batch; false when it was begun already. */
    boolean take(AssignmentView assignment, IntakeView intake, Map<Integer, Long> assigned, long by) {
        Map<Long, Student> roster = courses.roster(assignment).stream()
                .collect(Collectors.toMap(Student::enrolmentId, Function.identity()));
        Look look = look(assignment, intake, intake.scheme());
        boolean begun = Boolean.TRUE.equals(transaction.execute(status -> {
            if (!intakes.move(intake.id(), IntakeView.State.LOOKED, IntakeView.State.RUNNING)) {
                return false;
            }
            look.lines.stream().filter(line -> roster.containsKey(assigned.getOrDefault(line.ordinal, 0L)))
                    .forEach(line -> intakes.add(intake.id(), line.ordinal, cut(line.delivery.name()), assigned.get(line.ordinal)));
            return true;
        }));
        if (begun) {
            work.submit(() -> run(assignment, intake.id(), by));
        }
        return begun;
    }

    private void run(AssignmentView assignment, long id, long by) {
        try {
            IntakeView intake = find(assignment, id);
            try (Batch batch = open(intake)) {
                List<Delivery> all = deliveries(batch);
                for (ItemView item : items(intake)) {
                    if (!find(assignment, id).isRunning()) {
                        return;
                    }
                    take(assignment, batch.source, all.get(item.ordinal()), id, item);
                }
            }
        } catch (IOException | RuntimeException broke) {
            LOG.error("the intake {} broke off", id, broke);
        } finally {
            boolean done = Boolean.TRUE
                    .equals(transaction.execute(status -> intakes.move(id, IntakeView.State.RUNNING, IntakeView.State.DONE)));
            IntakeView after = find(assignment, id);
            audit.log(by, new AuditService.About(assignment.id(), 0, 0), Deed.TOOK_IN,
                    after.name() + ": " + after.taken() + (done ? "" : " (cancelled)"));
        }
    }

    /** One of them; whatever is wrong with it is kept with it, and the next goes on. */
    private void take(AssignmentView assignment, ProjectSource batch, Delivery delivery, long id, ItemView item) {
        String trouble = null;
        Long handIn = null;
        try {
            Student student = courses.student(assignment, item.enrolment());
            Stored stored = stored(batch, delivery);
            CourseService.Place place = new CourseService.Place(assignment, student);
            handIn = handIns.take(place,
                    delivery.archive().map(entry -> entry.path().substring(entry.path().lastIndexOf('/') + 1))
                            .orElse(delivery.name() + ".zip"),
                    stored);
        } catch (NoRoom full) {
            trouble = "no-room";
        } catch (IOException unreadable) {
            LOG.info("{} of intake {} could not be taken in: {}", item.ordinal(), id, unreadable.toString());
            trouble = "unreadable";
        } catch (RuntimeException broke) {
            LOG.error("{} of intake {} could not be taken in", item.ordinal(), id, broke);
            trouble = "broke";
        }
        String why = trouble;
        Long made = handIn;
        transaction.executeWithoutResult(status -> {
            intakes.became(id, item.ordinal(), why == null ? ItemView.State.TAKEN : ItemView.State.FAILED, why, made);
            intakes.alive(id);
        });
    }

    private Stored stored(ProjectSource batch, Delivery delivery) throws IOException {
        if (delivery.archive().isPresent()) {
            try (InputStream content = batch.open(delivery.archive().get())) {
                return store.store(content, properties.maxUpload().toBytes());
            }
        }
        Path packed = Files.createTempFile("satchel-intake", ".zip");
        try {
            try (java.io.OutputStream out = Files.newOutputStream(packed); ZipWriter zip = new ZipWriter(out, false)) {
                for (SourceEntry file : delivery.files()) {
                    String path = delivery.name() + "/" + file.path().substring(delivery.prefix().length());
                    zip.file(path, to -> {
                        try (InputStream content = batch.open(file)) {
                            content.transferTo(to);
                        }
                    });
                }
            }
            try (InputStream content = Files.newInputStream(packed)) {
                return store.store(content, properties.maxUpload().toBytes());
            }
        } finally {
            Files.deleteIfExists(packed);
        }
    }

    /** Lets an intake end after the one that is being taken in. */
    boolean cancel(IntakeView intake) {
        return Boolean.TRUE
                .equals(transaction.execute(status -> intakes.move(intake.id(), IntakeView.State.RUNNING, IntakeView.State.CANCELLED)));
    }

    /** Takes a whole intake back: its hand-ins go, and what counted before counts again. How many stay, because they are being checked. */
    int undo(AssignmentView assignment, IntakeView intake, long by) {
        if (!intake.mayBeUndone()) {
            return 0;
        }
        int stay = transaction.execute(status -> {
            int left = intakes.removeHandIns(intake.id());
            if (left == 0) {
                intakes.move(intake.id(), intake.state(), IntakeView.State.UNDONE);
            }
            return left;
        });
        audit.log(by, new AuditService.About(assignment.id(), 0, 0), Deed.TOOK_BACK, intake.name());
        return stay;
    }

    @Override
    public void start() {
        work = Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "intake");
            thread.setDaemon(true);
            return thread;
        });
        // What a server was at that is gone goes on where it stopped, whoever is there.
        transaction.execute(status -> intakes.leftBehind(clock.instant().minus(LOST)))
                .forEach(id -> transaction.execute(status -> intakes.find(id)).ifPresent(left -> work.submit(() -> resume(left))));
    }

    private void resume(IntakeView left) {
        AssignmentView assignment = courses.forJob(left.assignment());
        try (Batch batch = open(left)) {
            List<Delivery> all = deliveries(batch);
            items(left).stream().filter(item -> item.state() == ItemView.State.OPEN)
                    .forEach(item -> take(assignment, batch.source, all.get(item.ordinal()), left.id(), item));
        } catch (IOException gone) {
            LOG.error("the intake {} could not go on", left.id(), gone);
        }
        transaction.execute(status -> intakes.move(left.id(), IntakeView.State.RUNNING, IntakeView.State.DONE));
    }

    @Override
    public void stop() {
        work.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return work != null && !work.isShutdown();
    }
}
