package org.opensatchel.worker;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.atomic.AtomicReference;
import java.util.zip.GZIPOutputStream;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.Summary;
import org.opensatchel.core.scan.Workers;

/** The worker process: takes one order after the other from its standard input, and ends when the server that started it is gone. */
public final class WorkerMain {

    private static final long TELL_EVERY_NANOS = 300_000_000L;
    private static final int CHUNK = 1 << 20;
    /** What {@code -XX:+ExitOnOutOfMemoryError} ends with. */
    private static final int OUT_OF_MEMORY = 3;

    private final OutputStream out;

    private WorkerMain(OutputStream out) {
        this.out = out;
    }

    public static void main(String[] arguments) throws InterruptedException {
        OutputStream answers = new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), 1 << 16);
        // Whatever a library prints must not come between our messages.
        System.setOut(new PrintStream(System.err, true, StandardCharsets.UTF_8));
        SynchronousQueue<Frames.Frame> orders = new SynchronousQueue<>();
        Thread listener = new Thread(() -> listen(orders), "orders");
        listener.setDaemon(true);
        listener.start();
        WorkerMain worker = new WorkerMain(answers);
        while (true) {
            worker.answer(orders.take());
        }
    }

    /** The end of the stream is the end of the server; what is being checked then is nobody's any more. */
    private static void listen(SynchronousQueue<Frames.Frame> orders) {
        BufferedInputStream in = new BufferedInputStream(System.in, 1 << 16);
        try {
            while (true) {
                orders.put(Frames.read(in));
            }
        } catch (IOException | RuntimeException gone) {
            Runtime.getRuntime().halt(0);
        } catch (InterruptedException asked) {
            Runtime.getRuntime().halt(0);
        }
    }

    private void answer(Frames.Frame frame) {
        try {
            if (frame.sign() == Frames.ERRAND) {
                byte[] answer = Errand.read(frame.content()).answer();
                for (int at = 0; at < answer.length; at += CHUNK) {
                    Frames.write(out, Frames.ANSWER, Arrays.copyOfRange(answer, at, Math.min(answer.length, at + CHUNK)));
                }
            } else {
                check(WorkOrder.read(frame.content()));
            }
            Frames.write(out, Frames.END, new byte[0]);
        } catch (IOException unreadable) {
            last(Frames.STORE, unreadable);
        } catch (OutOfMemoryError tooMuch) {
            Runtime.getRuntime().halt(OUT_OF_MEMORY);
        } catch (RuntimeException | Error broke) {
            last(Frames.BROKE, broke);
        }
    }

    private void last(byte sign, Throwable fault) {
        try {
            fault.printStackTrace(System.err);
            Frames.write(out, sign, fault.getClass().getName().getBytes(StandardCharsets.UTF_8));
        } catch (IOException gone) {
            Runtime.getRuntime().halt(1);
        }
    }

    private void check(WorkOrder order) throws IOException {
        System.setProperty(Workers.THREADS_PROPERTY, Integer.toString(order.threads()));
        long[] told = {0};
        AtomicReference<ProjectTree> tree = new AtomicReference<>();
        try (ProjectSource source = source(order)) {
            Report report = new ProjectCheck(order.request().keeping(tree::set).telling((files, bytes) -> {
                long now = System.nanoTime();
                if (told[0] == 0 || now - told[0] >= TELL_EVERY_NANOS) {
                    told[0] = now;
                    progress(files, bytes);
                }
            })).run(source);
            tell(report);
            if (tree.get() != null) {
                files(tree.get(), source, report);
            }
        }
    }

    /** Where each file lies, and what of them is worth preparing. */
    private void files(ProjectTree tree, ProjectSource source, Report report) throws IOException {
        for (byte[] page : FileIndex.pages(tree, source)) {
            Frames.write(out, Frames.FILES, Packed.pack(page));
        }
        Frames.write(out, Frames.WISHES, JsonDocuments.MAPPER.writeValueAsBytes(Wishes.of(tree, source, report)));
    }

    private static ProjectSource source(WorkOrder order) throws IOException {
        Path archive = Path.of(order.archive());
        return order.form().open(archive,
                order.contents().isEmpty() ? HeldContents.NONE : HeldContents.read(Path.of(order.contents())));
    }

    private void progress(long files, long bytes) {
        try {
            Frames.write(out, Frames.PROGRESS, ByteBuffer.allocate(16).putLong(files).putLong(bytes).array());
        } catch (IOException gone) {
            Runtime.getRuntime().halt(1);
        }
    }

    private void tell(Report report) throws IOException {
        Frames.write(out, Frames.SUMMARY, JsonDocuments.MAPPER.writeValueAsBytes(Summary.of(report)));
        Frames.write(out, Frames.DIGEST, Packed.pack(ReportJson.bytes(ReportDigest.of(report))));
        for (List<LinkLine> page : ReportDigest.pages(report)) {
            Frames.write(out, Frames.LINKS, Packed.pack(ReportJson.bytes(page)));
        }
        try (GZIPOutputStream zip = new GZIPOutputStream(new BufferedOutputStream(new Parts(), CHUNK), 1 << 16)) {
            ReportJson.write(report, zip);
        }
    }

    /** Each write is a message of its own. */
    private final class Parts extends OutputStream {

        @Override
        public void write(int b) throws IOException {
            write(new byte[]{(byte) b}, 0, 1);
        }

        @Override
        public void write(byte[] from, int at, int length) throws IOException {
            Frames.write(out, Frames.REPORT, Arrays.copyOfRange(from, at, at + length));
        }
    }
}
