package org.opensatchel.worker;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.worker.WorkOutcome.Done;
import org.opensatchel.worker.WorkOutcome.Failed;
import org.opensatchel.worker.WorkOutcome.Reason;

/** Real worker processes: what they bring back, and that whatever happens to one costs its own check only. */
class WorkerPoolTest {

    private static final String KIT = "{\"kit\": 1, \"title\": \"Kettle Turntable\", \"root\": {\"name\": \"{last}_{first}\"}, \"machines\": [\"lab-mac\"]}";

    @TempDir
    Path folder;

    private WorkerPool pool;

    @AfterEach
    void close() {
        pool.close();
    }

    private WorkerPool pool(int heap, Duration time, long output) {
        Path java = Path.of(System.getProperty("java.home"), "bin", "java");
        List<String> main = List.of("-cp", System.getProperty("java.class.path"), WorkerMain.class.getName());
        pool = new WorkerPool(new WorkerSettings(java, main, folder, heap, 2_000, time, output));
        return pool;
    }

    private WorkerPool usual() {
        return pool(128, Duration.ofMinutes(2), 64 << 20);
    }

    private WorkOrder order(Path archive) {
        return order(archive, WorkOrder.Form.ZIP);
    }

    private WorkOrder order(Path archive, WorkOrder.Form form) {
        return new WorkOrder(archive.toString(), "", form, KIT, Optional.empty(),
                Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline"),
                List.of(), List.of(), List.of(), List.of(), Set.of(), List.of("lab-windows"),
                ReadLimits.DEFAULT, 2, Instant.EPOCH);
    }

    private Path project(int pages, int links) throws IOException {
        Map<String, String> files = new LinkedHashMap<>();
        IntStream.range(0, pages).forEach(page -> files.put("Marsh_Ottoline/p" + page + ".html",
                IntStream.range(0, links).mapToObj(link -> "<img src=\"a-rather-long-name-" + page + "-" + link + ".png\">")
                        .collect(Collectors.joining())));
        Path zip = Files.createTempFile(folder, "project", ".zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            for (Map.Entry<String, String> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue().getBytes(StandardCharsets.UTF_8));
                out.closeEntry();
            }
        }
        return zip;
    }

    private static Reason reason(WorkOutcome outcome) {
        assertThat(outcome).isInstanceOf(Failed.class);
        return ((Failed) outcome).reason();
    }

    @Test
    void bringsBackTheReportThatTheCheckItselfMakes() throws IOException {
        Path zip = project(3, 150);
        List<Long> told = new ArrayList<>();
        WorkResult result = ((Done) usual().run(order(zip), (files, bytes) -> told.add(files))).result();
        Report report;
        try (ZipSource source = ZipSource.open(zip)) {
            report = new ProjectCheck(order(zip).request()).run(source);
        }
        assertThat(Packed.unpack(result.report())).isEqualTo(ReportJson.bytes(report));
        assertThat(result.summary().links()).isEqualTo(450);
        List<LinkLine> links = result.pages().stream().flatMap(page -> ReportJson.readLinks(Packed.unpack(page)).stream()).toList();
        assertThat(links).isEqualTo(report.links());
        assertThat(result.pages()).hasSize(5);
        assertThat(ReportJson.readDigest(Packed.unpack(result.digest()))).isEqualTo(ReportDigest.of(report));
        assertThat(told).isNotEmpty();
    }

    @Test
    void aPacketIsAListWithItsDocuments() throws IOException {
        Path zip = Files.createTempFile(folder, "packet", ".zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            out.putNextEntry(new ZipEntry("documents/a.html"));
            out.write("<img src=\"b.png\">".getBytes(StandardCharsets.UTF_8));
            out.putNextEntry(new ZipEntry("listing.json"));
            out.write("{\"listing\": 1, \"root\": \"Marsh_Ottoline\", \"files\": [{\"path\": \"a.html\", \"bytes\": 17}]}"
                    .getBytes(StandardCharsets.UTF_8));
        }
        WorkResult result = ((Done) usual().run(order(zip, WorkOrder.Form.LISTING), (files, bytes) -> {})).result();
        assertThat(result.summary().links()).isEqualTo(1);
    }

    @Test
    void oneWorkerServesManyOrdersAndTwoServeTwoAtOnce() throws IOException {
        WorkerPool workers = usual();
        Path zip = project(1, 3);
        workers.run(order(zip), (files, bytes) -> {});
        List<Long> first = workers.processes();
        workers.run(order(zip), (files, bytes) -> {});
        assertThat(workers.processes()).isEqualTo(first).hasSize(1);
        List<CompletableFuture<WorkOutcome>> both = IntStream.range(0, 2)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> workers.run(order(zip), (files, bytes) -> {}))).toList();
        assertThat(both).allSatisfy(one -> assertThat(one.join()).isInstanceOf(Done.class));
    }

    @Test
    void aCheckThatWantsMoreMemoryThanThereIsCostsItselfOnly() throws IOException {
        WorkerPool workers = pool(24, Duration.ofMinutes(2), 64 << 20);
        assertThat(reason(workers.run(order(project(300, 1_000)), (files, bytes) -> {}))).isEqualTo(Reason.MEMORY);
        assertThat(workers.processes()).isEmpty();
        assertThat(workers.run(order(project(1, 3)), (files, bytes) -> {})).isInstanceOf(Done.class);
    }

    @Test
    void aCheckThatTakesTooLongIsEnded() throws IOException {
        WorkerPool workers = pool(128, Duration.ofMillis(1), 64 << 20);
        assertThat(reason(workers.run(order(project(300, 1_000)), (files, bytes) -> {}))).isEqualTo(Reason.TIME);
    }

    @Test
    void aReportThatIsLongerThanIsKeptIsNotTaken() throws IOException {
        assertThat(reason(pool(256, Duration.ofMinutes(2), 20_000).run(order(project(20, 500)), (files, bytes) -> {})))
                .isEqualTo(Reason.OUTPUT);
    }

    @Test
    void anArchiveThatIsNotThereIsAFaultOfOurs() {
        assertThat(reason(usual().run(order(folder.resolve("gone.zip")), (files, bytes) -> {}))).isEqualTo(Reason.STORE);
    }

    @Test
    void aWorkerThatIsKilledIsReplaced() throws IOException {
        WorkerPool workers = usual();
        Path zip = project(200, 500);
        WorkOutcome outcome = workers.run(order(zip),
                (files, bytes) -> workers.processes().forEach(pid -> ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly)));
        assertThat(reason(outcome)).isEqualTo(Reason.DIED);
        assertThat(workers.run(order(zip), (files, bytes) -> {})).isInstanceOf(Done.class);
    }

    @Test
    void aWorkerThatEndedWhileItWaitedCostsNobodyACheck() throws IOException {
        WorkerPool workers = usual();
        Path zip = project(1, 1);
        for (int i = 0; i < 3; i++) {
            workers.warm(1);
            // Not waited for: it may still seem to be alive.
            workers.processes().forEach(pid -> ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly));
            assertThat(workers.run(order(zip), (files, bytes) -> {})).isInstanceOf(Done.class);
        }
    }

    @Test
    void aWorkerEndsWithItsServer() throws Exception {
        WorkerPool workers = usual();
        workers.warm(1);
        ProcessHandle worker = ProcessHandle.of(workers.processes().get(0)).orElseThrow();
        workers.close();
        worker.onExit().get(30, TimeUnit.SECONDS);
        assertThat(reason(workers.run(order(project(1, 1)), (files, bytes) -> {}))).isEqualTo(Reason.STORE);
    }
}
