package org.opensatchel.bench;

import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.json.JsonDocuments;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.finder.PathFinder;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report;

/**
 * The check, each figure against a baseline of the same run: a 1 GiB archive as a whole process against unpacking and
 * hashing it with the system's tools, a listing of 200,000 files against parsing it, twice as much against once, and the
 * path finder against looking at every byte.
 */
final class CheckBench {

    private static final int RUNS = 5;

    private CheckBench() {
    }

    /** What a listing is parsed into for the baseline. */
    record PlainListing(int listing, String root, List<PlainFile> files) {
    }

    /** One of its files. */
    record PlainFile(String path, long bytes, String sha256) {
    }

    public static void main(String[] args) throws Exception {
        List<String> parts = args.length > 0 ? List.of(args) : List.of("archive", "listing", "finder");
        Path temp = Files.createTempDirectory("satchel-bench");
        try {
            if (parts.contains("archive")) {
                archive(temp, 1_024);
            }
            if (parts.contains("listing")) {
                listings(temp);
            }
            if (parts.contains("finder")) {
                finder();
            }
        } finally {
            try (Stream<Path> all = Files.walk(temp)) {
                all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
            }
        }
    }

    private static void archive(Path temp, int mib) throws Exception {
        Path zip = temp.resolve("project.zip");
        int files = 2_000;
        makeArchive(zip, files, mib);
        List<String> check = List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx256m", "-XX:+UseSerialGC", "-XX:-UsePerfData", "-cp", System.getProperty("java.class.path"),
                CheckBench.Whole.class.getName(), zip.toString());
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
        System.out.printf("check of an archive: %d files, %d MiB, whole process, -Xmx256m%n", files, Files.size(zip) >> 20);
        System.out.printf("  unzip -p | sha256sum           %.2f s (baseline)%n", median(theirs));
        System.out.printf("  check                          %.2f s, %.2f times the baseline (at most 0.3)%n", median(ours), median(ours) / median(theirs));
        System.out.printf("  most memory held               %d MiB (under 512)%n", peak >> 10);
    }

    /** A check as the command line makes it. */
    static final class Whole {
        private Whole() {
        }

        public static void main(String[] args) throws IOException {
            try (ProjectSource source = org.opensatchel.core.project.ZipSource.open(Path.of(args[0]))) {
                Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
                if (report.project().links() != 500 || report.counts().must() != 0) {
                    throw new IllegalStateException("not what was made: " + report.counts() + ", " + report.project());
                }
            }
        }
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
                out.write(timeline(IntStream.range(0, 50).mapToObj(i -> "../footage/clip_" + (document * 50 + i) + ".mp4")).getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    private static String timeline(Stream<String> targets) {
        return "{\"OTIO_SCHEMA\": \"Timeline.1\", \"all\": [" + targets.map(target -> "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + target + "\"}").collect(Collectors.joining(",\n")) + "]}";
    }

    private record Ran(double seconds, long peakKiB) {
    }

    private static Ran run(List<String> command) throws IOException, InterruptedException {
        long began = System.nanoTime();
        Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.INHERIT).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
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
            return lines.filter(line -> line.startsWith("VmHWM:")).mapToLong(line -> Long.parseLong(line.replaceAll("[^0-9]", ""))).findFirst().orElse(0);
        } catch (IOException | UncheckedIOException ended) {
            return 0;
        }
    }

    private static void listings(Path temp) throws IOException {
        double[] whole = new double[RUNS];
        double[] half = new double[RUNS];
        double[] parse = new double[RUNS];
        Path large = makeListing(temp.resolve("large"), 200_000, 50_000);
        Path small = makeListing(temp.resolve("small"), 100_000, 25_000);
        for (int i = -3; i < RUNS; i++) {
            double parsed = parse(large.resolve("listing.json"));
            double one = check(large, 50_000);
            double two = check(small, 25_000);
            if (i >= 0) {
                parse[i] = parsed;
                whole[i] = one;
                half[i] = two;
            }
        }
        System.out.println("check of a listing: 200,000 files, 50,000 links");
        System.out.printf("  parsing it into objects        %.3f s (baseline)%n", median(parse));
        System.out.printf("  check                          %.3f s, %.2f times the baseline (at most 3)%n", median(whole), median(whole) / median(parse));
        System.out.printf("  half of it                     %.3f s; twice as much takes %.2f times as long (at most 2.2)%n", median(half), median(whole) / median(half));
    }

    private static Path makeListing(Path folder, int files, int links) throws IOException {
        Path documents = Files.createDirectories(folder.resolve("documents/edit"));
        int each = 500;
        StringBuilder json = new StringBuilder("{\"listing\": 1, \"root\": \"Project\", \"files\": [\n");
        for (int d = 0; d < links / each; d++) {
            int document = d;
            String text = timeline(IntStream.range(0, each).mapToObj(i -> "../footage/day " + (document % 40) + "/clip_" + (document + (links / each) * i) + ".mp4"));
            Files.writeString(documents.resolve("cut_" + d + ".otio"), text);
            json.append("{\"path\": \"edit/cut_").append(d).append(".otio\", \"bytes\": ").append(text.length()).append("},\n");
        }
        for (int i = 0; i < files - links / each; i++) {
            json.append("{\"path\": \"footage/day ").append(i % (links / each) % 40).append("/clip_").append(i).append(".mp4\", \"bytes\": ").append(1_000_000 + i)
                    .append(", \"sha256\": \"").append(String.format("%064x", i)).append("\"}").append(i == files - links / each - 1 ? "\n" : ",\n");
        }
        Files.writeString(folder.resolve("listing.json"), json.append("]}"));
        return folder;
    }

    private static double parse(Path listing) throws IOException {
        byte[] json = Files.readAllBytes(listing);
        long began = System.nanoTime();
        PlainListing parsed = JsonDocuments.MAPPER.readValue(json, PlainListing.class);
        double seconds = (System.nanoTime() - began) / 1e9;
        if (parsed.files().isEmpty()) {
            throw new IllegalStateException("nothing was parsed");
        }
        return seconds;
    }

    private static double check(Path folder, int links) throws IOException {
        long began = System.nanoTime();
        try (ProjectSource source = new ListingSource(folder.resolve("listing.json"), Optional.of(new FolderSource(folder.resolve("documents"))))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
            if (report.project().links() != links || report.counts().must() != 0) {
                throw new IllegalStateException("not what was made: " + report.counts() + ", " + report.project());
            }
        }
        return (System.nanoTime() - began) / 1e9;
    }

    private static void finder() throws IOException {
        int size = 64 << 20;
        byte[] noise = new byte[size];
        new Random(2).nextBytes(noise);
        StringBuilder text = new StringBuilder(size + 100);
        for (int i = 0; text.length() < size; i++) {
            text.append("object ").append(i).append(" { colour 0.25 0.5 0.75; name plate_").append(i).append("; turn 12.5 }\n");
            if (i % 200 == 0) {
                text.append("map \"F:/OBJ210/surfaces/steel_").append(i).append(".png\"\n");
            }
        }
        byte[] written = Arrays.copyOf(text.toString().getBytes(StandardCharsets.US_ASCII), size);
        System.out.println("path finder: 64 MiB, one thread");
        for (var one : List.of(new Sample("noise", noise), new Sample("text", written))) {
            double[] plain = new double[RUNS];
            double[] ours = new double[RUNS];
            for (int i = -2; i < RUNS; i++) {
                double looked = look(one.bytes);
                double found = find(one.bytes);
                if (i >= 0) {
                    plain[i] = looked;
                    ours[i] = found;
                }
            }
            System.out.printf("  %-6s every byte looked at     %.0f MB/s (baseline)%n", one.name, size / 1e6 / median(plain));
            System.out.printf("  %-6s path finder              %.0f MB/s, %.2f of the baseline (at least 150 MB/s, or 0.5)%n", one.name, size / 1e6 / median(ours), median(plain) / median(ours));
        }
    }

    private record Sample(String name, byte[] bytes) {
    }

    private static long seen;

    private static double look(byte[] bytes) {
        long began = System.nanoTime();
        long sum = 0;
        for (byte b : bytes) {
            sum += b == '/' ? 1 : 0;
        }
        seen += sum;
        return (System.nanoTime() - began) / 1e9;
    }

    private static double find(byte[] bytes) throws IOException {
        long began = System.nanoTime();
        LinkSink sink = new LinkSink(ProjectPath.of("thing.scn"), 4_096);
        PathFinder.read(new DocumentContent(ProjectPath.of("thing.scn"), new ByteArrayInputStream(bytes), 64L << 20), sink);
        seen += sink.links().size();
        return (System.nanoTime() - began) / 1e9;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
