package org.opensatchel.worker;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.report.Summary;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.worker.WorkOutcome.Reason;
import tools.jackson.core.type.TypeReference;

/** One worker process as the server sees it: given an order at a time, watched, and ended with its children when it takes too much. */
final class CheckWorker implements AutoCloseable {

    /** What {@code -XX:+ExitOnOutOfMemoryError} ends with. */
    private static final int OUT_OF_MEMORY = 3;
    private static final int PAGE_BYTES = 4_096;
    private static final TypeReference<List<Errand.Wish>> WISHES = new TypeReference<>() {};
    private static final Path NICE = Path.of("/usr/bin/nice");

    private final WorkerSettings settings;
    private final ScheduledExecutorService clock;
    private final Process process;
    private final InputStream answers;
    private final OutputStream orders;
    private int done;
    private boolean heard;

    CheckWorker(WorkerSettings settings, ScheduledExecutorService clock) throws IOException {
        this.settings = settings;
        this.clock = clock;
        List<String> command = new ArrayList<>();
        if (Files.isExecutable(NICE)) {
            // Pages before checks: who reads does not wait for who is checked.
            command.addAll(List.of(NICE.toString(), "-n", "10"));
        }
        command.addAll(List.of(settings.java().toString(), "-Xmx" + settings.heapMegabytes() + "m",
                "-Xms" + Math.min(32, settings.heapMegabytes()) + "m", "-XX:+ExitOnOutOfMemoryError", "-XX:+UseSerialGC",
                "-XX:-UsePerfData",
                "-XX:MaxMetaspaceSize=192m", "-XX:MaxDirectMemorySize=64m", "-Djava.awt.headless=true", "-Dfile.encoding=UTF-8",
                "-Dlogback.configurationFile=worker-log.xml",
                "-Djava.io.tmpdir=" + settings.temporary()));
        command.addAll(settings.main());
        ProcessBuilder builder = new ProcessBuilder(command).directory(settings.temporary().toFile())
                .redirectError(ProcessBuilder.Redirect.INHERIT);
        // What the server knows, like the database's password, is none of its business.
        Map<String, String> environment = builder.environment();
        environment.clear();
        environment.put("LC_ALL", "C.UTF-8");
        this.process = builder.start();
        this.answers = new BufferedInputStream(process.getInputStream(), 1 << 16);
        this.orders = new BufferedOutputStream(process.getOutputStream(), 1 << 16);
    }

    /** How many orders it has carried out. */
    int done() {
        return done;
    }

    /** Whether it said anything of the order it has; one that did not was gone before it got it. */
    boolean wasHeard() {
        return heard;
    }

    boolean isAlive() {
        return process.isAlive();
    }

    long pid() {
        return process.pid();
    }

    WorkOutcome run(WorkOrder order, ScanProgress progress) {
        return watched(Frames.ORDER, order.bytes(), settings.time(), ended -> answer(progress, ended), WorkOutcome.Failed::new,
                () -> false);
    }

    /** @param stopped whether nobody wants the answer any more */
    ErrandOutcome run(Errand errand, Duration time, BooleanSupplier stopped) {
        return watched(Frames.ERRAND, errand.bytes(), time, this::answer, ErrandOutcome.Failed::new, stopped);
    }

    private interface Listening<T> {
        T listen(AtomicReference<Reason> ended) throws IOException;
    }

    /** Hands something over and listens to what comes of it, for as long and as much as it may take. */
    private <T> T watched(byte sign, byte[] order, Duration time, Listening<T> listening, BiFunction<Reason, String, T> failed,
            BooleanSupplier stopped) {
        AtomicReference<Reason> ended = new AtomicReference<>();
        ScheduledFuture<?> late = clock.schedule(() -> end(ended, Reason.TIME), time.toMillis(), TimeUnit.MILLISECONDS);
        ScheduledFuture<?> large = clock.scheduleWithFixedDelay(() -> weigh(ended, stopped), 500, 500, TimeUnit.MILLISECONDS);
        heard = false;
        try {
            Frames.write(orders, sign, order);
            T outcome = listening.listen(ended);
            done++;
            return outcome;
        } catch (IOException gone) {
            return failed.apply(ended.get() != null ? ended.get() : reasonOfEnd(), "the worker is gone: " + gone.getMessage());
        } finally {
            late.cancel(false);
            large.cancel(false);
        }
    }

    private ErrandOutcome answer(AtomicReference<Reason> ended) throws IOException {
        ByteArrayOutputStream answer = new ByteArrayOutputStream();
        while (true) {
            Frames.Frame frame = Frames.read(answers);
            heard = true;
            if (answer.size() + frame.content().length > settings.outputBytes()) {
                end(ended, Reason.OUTPUT);
                return new ErrandOutcome.Failed(Reason.OUTPUT, "more than " + settings.outputBytes() + " bytes came back");
            }
            switch (frame.sign()) {
                case Frames.ANSWER -> answer.write(frame.content());
                case Frames.END -> {
                    return new ErrandOutcome.Answered(answer.toByteArray());
                }
                case Frames.STORE -> {
                    return new ErrandOutcome.Failed(Reason.STORE, text(frame));
                }
                default -> {
                    return new ErrandOutcome.Failed(Reason.BROKE, text(frame));
                }
            }
        }
    }

    private WorkOutcome answer(ScanProgress progress, AtomicReference<Reason> ended) throws IOException {
        Summary summary = null;
        byte[] digest = new byte[0];
        List<byte[]> pages = new ArrayList<>();
        List<byte[]> files = new ArrayList<>();
        List<Errand.Wish> wishes = List.of();
        ByteArrayOutputStream report = new ByteArrayOutputStream();
        long bytes = 0;
        while (true) {
            Frames.Frame frame = Frames.read(answers);
            heard = true;
            bytes += frame.sign() == Frames.PROGRESS ? 0 : frame.content().length;
            if (bytes > settings.outputBytes()) {
                end(ended, Reason.OUTPUT);
                return new WorkOutcome.Failed(Reason.OUTPUT, "more than " + settings.outputBytes() + " bytes came back");
            }
            switch (frame.sign()) {
                case Frames.PROGRESS -> {
                    ByteBuffer numbers = ByteBuffer.wrap(frame.content());
                    progress.scanned(numbers.getLong(), numbers.getLong());
                }
                case Frames.SUMMARY -> summary = JsonDocuments.MAPPER.readValue(frame.content(), Summary.class);
                case Frames.DIGEST -> digest = frame.content();
                case Frames.LINKS -> pages.add(frame.content());
                case Frames.FILES -> files.add(frame.content());
                case Frames.WISHES -> wishes = JsonDocuments.MAPPER.readValue(frame.content(), WISHES);
                case Frames.REPORT -> report.write(frame.content());
                case Frames.END -> {
                    return new WorkOutcome.Done(new WorkResult(summary, digest, pages, report.toByteArray(), files, wishes));
                }
                case Frames.STORE -> {
                    return new WorkOutcome.Failed(Reason.STORE, text(frame));
                }
                default -> {
                    return new WorkOutcome.Failed(Reason.BROKE, text(frame));
                }
            }
        }
    }

    private static String text(Frames.Frame frame) {
        return new String(frame.content(), StandardCharsets.UTF_8);
    }

    /** The process as a whole may take more than its objects do: threads, code, buffers of the system. */
    private void weigh(AtomicReference<Reason> ended, BooleanSupplier stopped) {
        if (stopped.getAsBoolean()) {
            end(ended, Reason.STOPPED);
            return;
        }
        try {
            String[] pages = Files.readString(Path.of("/proc", Long.toString(process.pid()), "statm")).split(" ");
            if (Long.parseLong(pages[1]) * PAGE_BYTES >> 20 > settings.allMegabytes()) {
                end(ended, Reason.MEMORY);
            }
        } catch (IOException | RuntimeException unknown) {
            // Gone already, or a system without these numbers: then the limit of its objects alone holds.
        }
    }

    private void end(AtomicReference<Reason> ended, Reason why) {
        ended.compareAndSet(null, why);
        close();
    }

    private Reason reasonOfEnd() {
        try {
            return process.waitFor(5, TimeUnit.SECONDS) && process.exitValue() == OUT_OF_MEMORY ? Reason.MEMORY : Reason.DIED;
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
            return Reason.DIED;
        }
    }

    @Override
    public void close() {
        process.descendants().forEach(ProcessHandle::destroyForcibly);
        process.destroyForcibly();
    }
}
