package org.opensatchel.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The check of a 1 GiB archive as a whole process, against unpacking and hashing it with the system's tools. */
final class ArchiveBench {

    private ArchiveBench() {
    }

    /** @param args the command line's launcher */
    public static void main(String[] args) throws Exception {
        Path temp = Files.createTempDirectory("satchel-bench");
        try {
            archive(args[0], temp, 1_024);
        } finally {
            try (Stream<Path> all = Files.walk(temp)) {
                all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
            }
        }
    }

    private static void archive(String launcher, Path temp, int mib) throws Exception {
        Path zip = temp.resolve("project.zip");
        int files = 2_000;
        makeArchive(zip, files, mib);
        Path report = temp.resolve("report.json");
        List<String> check = List.of("sh", "-c",
                "exec '" + launcher + "' check '" + zip + "' --format json >'" + report + "'");
        // Once for building, and to see that it reads what it should.
        run(check);
        JsonNode told = JsonMapper.builder().build().readTree(report.toFile());
        if (told.path("project").path("links").asInt() != 500 || told.path("counts").path("must").asInt() != 0) {
            throw new IllegalStateException("not what was made: " + told.path("project") + ", " + told.path("counts"));
        }
        List<String> baseline = List.of("sh", "-c", "unzip -p '" + zip + "' | sha256sum");
        double[] ours = new double[3];
        double[] theirs = new double[3];
        long peak = 0;
        for (int i = 0; i < 3; i++) {
            Ran one = run(baseline);
            Ran two = run(check);
            theirs[i] = one.seconds;
            ours[i] = two.seconds;
            peak = Math.max(peak, two.peakKiB);
        }
        System.out.printf("check of an archive: %d files, %d MiB, the command line as it is, whole process%n", files,
                Files.size(zip) >> 20);
        System.out.printf("  unzip -p | sha256sum           %.2f s (baseline)%n", median(theirs));
        System.out.printf("  check                          %.2f s, %.2f times the baseline (at most 0.18)%n", median(ours),
                median(ours) / median(theirs));
        System.out.printf("  most memory held               %d MiB (under 512)%n", peak >> 10);
    }

    private static void makeArchive(Path zip, int files, int mib) throws IOException {
        Random random = new Random(1);
        int each = (int) (((long) mib << 20) / files);
        byte[] content = new byte[each];
        try (ZipOutputStream out = new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(zip), 1 << 20))) {
            out.setLevel(Deflater.BEST_SPEED);
            for (int i = 0; i < files - 10; i++) {
                random.nextBytes(content);
                System.arraycopy("\0\0\0\30ftypmp42\0\0\0\0mp42isom".getBytes(StandardCharsets.ISO_8859_1), 0, content, 0, 24);
                out.putNextEntry(new ZipEntry("Project/footage/clip_" + i + ".mp4"));
                out.write(content);
            }
            for (int d = 0; d < 10; d++) {
                int document = d;
                out.putNextEntry(new ZipEntry("Project/edit/cut_" + d + ".otio"));
                out.write(Listings.timeline(IntStream.range(0, 50).mapToObj(i -> "../footage/clip_" + (document * 50 + i) + ".mp4"))
                        .getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    record Ran(double seconds, long peakKiB) {}

    static Ran run(List<String> command) throws IOException, InterruptedException {
        long began = System.nanoTime();
        Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.INHERIT)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        long peak = 0;
        while (!process.waitFor(20, TimeUnit.MILLISECONDS)) {
            peak = Math.max(peak, peak(process.pid()));
        }
        if (process.exitValue() != 0) {
            throw new IllegalStateException(command + " ended with " + process.exitValue());
        }
        return new Ran((System.nanoTime() - began) / 1e9, peak);
    }

    private static long peak(long pid) {
        try (Stream<String> lines = Files.lines(Path.of("/proc/" + pid + "/status"))) {
            return lines.filter(line -> line.startsWith("VmHWM:")).mapToLong(line -> Long.parseLong(line.replaceAll("[^0-9]", "")))
                    .findFirst().orElse(0);
        } catch (IOException | UncheckedIOException ended) {
            return 0;
        }
    }

    static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
