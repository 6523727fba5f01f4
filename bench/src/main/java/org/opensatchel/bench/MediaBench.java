package org.opensatchel.bench;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;

/**
 * What it costs to know media, as whole processes. The facts of 2,000 films in a 1 GiB archive: the check of it, against the check of the same
 * bytes under an ending whose facts are not read, both as ratios to unpacking and hashing. Peaks of 1 GiB of sound: the check with a kit that
 * asks for them, against {@code sha256sum} over the same file.
 */
final class MediaBench {

    private static final int RUNS = 5;
    private static final int FILMS = 2_000;

    private MediaBench() {
    }

    public static void main(String[] args) throws Exception {
        Path temp = Files.createTempDirectory("satchel-bench");
        try {
            facts(temp);
            peaks(temp);
        } finally {
            try (Stream<Path> all = Files.walk(temp)) {
                all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
            }
        }
    }

    private static void facts(Path temp) throws Exception {
        Path films = temp.resolve("films.zip");
        Path others = temp.resolve("others.zip");
        archive(films, "mp4");
        archive(others, "mxf");
        double[] theirs = new double[RUNS];
        double[] read = new double[RUNS];
        double[] unread = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            theirs[i] = ArchiveBench.run(List.of("sh", "-c", "unzip -p '" + films + "' | sha256sum")).seconds();
            read[i] = ArchiveBench.run(check(films, FILMS)).seconds();
            unread[i] = ArchiveBench.run(check(others, 0)).seconds();
        }
        double with = ArchiveBench.median(read) / ArchiveBench.median(theirs);
        double without = ArchiveBench.median(unread) / ArchiveBench.median(theirs);
        System.out.printf("facts of media: %d films in an archive of %d MiB, whole process, -Xmx256m, medians of %d%n", FILMS,
                Files.size(films) >> 20, RUNS);
        System.out.printf("  unzip -p | sha256sum           %.2f s (baseline)%n", ArchiveBench.median(theirs));
        System.out.printf("  check, no facts read           %.2f times the baseline%n", without);
        System.out.printf("  check, with facts              %.2f times the baseline, %.3f more (at most 0.05)%n", with, with - without);
        Files.delete(films);
        Files.delete(others);
    }

    private static void peaks(Path temp) throws Exception {
        Path folder = Files.createDirectories(temp.resolve("P/sound"));
        sound(folder.resolve("mix.wav"), 1L << 30);
        double[] theirs = new double[RUNS];
        double[] ours = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            theirs[i] = ArchiveBench.run(List.of("sha256sum", folder.resolve("mix.wav").toString())).seconds();
            ours[i] = ArchiveBench.run(check(folder.getParent(), 1)).seconds();
        }
        System.out.printf("peaks: 1 GiB of WAV, whole process, -Xmx256m, medians of %d%n", RUNS);
        System.out.printf("  sha256sum                      %.2f s (baseline)%n", ArchiveBench.median(theirs));
        System.out.printf("  check with peaks               %.2f s, %.2f of the baseline's speed (at least 0.6)%n",
                ArchiveBench.median(ours),
                ArchiveBench.median(theirs) / ArchiveBench.median(ours));
    }

    private static List<String> check(Path project, int media) {
        return List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx256m", "-XX:+UseSerialGC",
                "-XX:-UsePerfData", "-cp", System.getProperty("java.class.path"), Whole.class.getName(), project.toString(),
                Integer.toString(media));
    }

    /** A check as the command line makes it, of a folder with a kit that asks for peaks. */
    static final class Whole {
        private Whole() {
        }

        public static void main(String[] args) throws IOException {
            Path project = Path.of(args[0]);
            boolean folder = Files.isDirectory(project);
            Optional<Kit> kit = folder
                    ? KitReader.read(
                            "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"P\"}, \"folders\": [{\"path\": \"sound\", \"media\": {\"peakDb\": [-60, 0]}}]}"
                                    .getBytes(StandardCharsets.UTF_8))
                            .kit()
                    : Optional.empty();
            try (ProjectSource source = folder ? new FolderSource(project) : ZipSource.open(project)) {
                Report report = new ProjectCheck(CheckRequest.of(kit, RosterFields.NONE)).run(source);
                int media = report.media().map(found -> found.files()).orElse(0);
                boolean heard = !folder || report.media().get().lines().get(0).levels().isPresent();
                if (media != Integer.parseInt(args[1]) || !heard || report.counts().must() != 0) {
                    throw new IllegalStateException("not what was made: " + media + " media, " + report.counts());
                }
            }
        }
    }

    private static void archive(Path zip, String ending) throws IOException {
        Random random = new Random(1);
        byte[] content = new byte[(int) ((1L << 30) / FILMS)];
        byte[] movie = movie();
        try (ZipOutputStream out = new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(zip), 1 << 20))) {
            out.setLevel(Deflater.BEST_SPEED);
            for (int i = 0; i < FILMS; i++) {
                random.nextBytes(content);
                ByteBuffer film = ByteBuffer.wrap(content);
                film.put(box("ftyp", "isom\0\0\2\0isom".getBytes(StandardCharsets.ISO_8859_1)));
                film.putInt(content.length - film.position() - movie.length).put("mdat".getBytes(StandardCharsets.ISO_8859_1));
                film.position(content.length - movie.length).put(movie);
                out.putNextEntry(new ZipEntry("Project/footage/clip_" + i + "." + ending));
                out.write(content);
            }
        }
    }

    private static byte[] movie() {
        byte[] entry = box("avc1", ByteBuffer.allocate(78).putShort(6, (short) 1).putShort(24, (short) 1280).putShort(26, (short) 720)
                .putShort(40, (short) 1).putShort(74, (short) 24).array());
        byte[] table = box("stbl", box("stsd", ints(0, 1), entry), box("stts", ints(0, 1, 300, 1)), box("stsc", ints(0, 0)),
                box("stsz", ints(0, 0, 0)), box("stco", ints(0, 0)));
        byte[] media = box("mdia", box("mdhd", ints(0, 0, 0, 30, 300, 0)), box("hdlr", ints(0, 0, 0x76696465, 0, 0, 0)),
                box("minf", table));
        return box("moov", box("mvhd", ints(0, 0, 0, 30, 300), new byte[80]), box("trak", box("tkhd", new byte[84]), media));
    }

    private static byte[] box(String type, byte[]... inside) {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        for (byte[] part : inside) {
            body.writeBytes(part);
        }
        return ByteBuffer.allocate(8 + body.size()).putInt(8 + body.size()).put(type.getBytes(StandardCharsets.ISO_8859_1))
                .put(body.toByteArray()).array();
    }

    private static byte[] ints(int... values) {
        ByteBuffer out = ByteBuffer.allocate(values.length * 4);
        for (int value : values) {
            out.putInt(value);
        }
        return out.array();
    }

    private static void sound(Path file, long bytes) throws IOException {
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 20)) {
            out.write(ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN).put("RIFF".getBytes(StandardCharsets.ISO_8859_1))
                    .putInt((int) (36 + bytes)).put("WAVEfmt ".getBytes(StandardCharsets.ISO_8859_1)).putInt(16).putShort((short) 1)
                    .putShort((short) 2).putInt(48_000).putInt(192_000).putShort((short) 4).putShort((short) 16)
                    .put("data".getBytes(StandardCharsets.ISO_8859_1)).putInt((int) bytes).array());
            Random random = new Random(2);
            byte[] some = new byte[1 << 20];
            for (long done = 0; done < bytes; done += some.length) {
                random.nextBytes(some);
                for (int i = 1; i < some.length; i += 2) {
                    // At half of full scale at most.
                    some[i] = (byte) (some[i] >> 1);
                }
                out.write(some);
            }
        }
    }
}
