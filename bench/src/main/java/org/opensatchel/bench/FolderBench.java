package org.opensatchel.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The command line over a folder of many small pictures, in processor time, against finding and hashing them with the system's tools. */
final class FolderBench {

    private static final int PICTURES = 5_000;
    private static final int DOCUMENTS = 10;
    private static final int ROUNDS = 5;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0, 13, 'I', 'H', 'D', 'R'};

    private FolderBench() {
    }

    /** @param args the command line's launcher */
    public static void main(String[] args) throws Exception {
        Path temp = Files.createTempDirectory("satchel-bench");
        try {
            Path project = make(temp.resolve("Project"));
            String check = "'" + args[0] + "' check '" + project + "' --format json";
            String baseline = "find '" + project + "' -type f -print0 | xargs -0 sha256sum";
            // Once for building, and for the files to be at hand.
            seconds(check);
            double[] ours = new double[ROUNDS];
            double[] theirs = new double[ROUNDS];
            for (int i = 0; i < ROUNDS; i++) {
                theirs[i] = seconds(baseline);
                ours[i] = seconds(check);
            }
            System.out.printf("check of a folder: %d pictures, %d documents with %d links, whole process, processor time%n", PICTURES,
                    DOCUMENTS, PICTURES);
            System.out.printf("  find | sha256sum               %.2f s (baseline)%n", median(theirs));
            System.out.printf("  check                          %.2f s, %.2f times the baseline (at most 1.3)%n", median(ours),
                    median(ours) / median(theirs));
        } finally {
            try (Stream<Path> all = Files.walk(temp)) {
                all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
            }
        }
    }

    private static Path make(Path project) throws IOException {
        Random random = new Random(1);
        Files.createDirectories(project.resolve("tex"));
        for (int i = 0; i < PICTURES; i++) {
            byte[] picture = new byte[20_000 + random.nextInt(16_000)];
            random.nextBytes(picture);
            System.arraycopy(PNG, 0, picture, 0, PNG.length);
            Files.write(project.resolve("tex/p" + i + ".png"), picture);
        }
        int each = PICTURES / DOCUMENTS;
        for (int d = 0; d < DOCUMENTS; d++) {
            int from = d * each;
            String images = IntStream.range(from, from + each).mapToObj(i -> "{\"uri\": \"tex/p" + i + ".png\"}")
                    .collect(Collectors.joining(", "));
            Files.writeString(project.resolve("model" + d + ".gltf"), "{\"asset\": {\"version\": \"2.0\"}, \"images\": [" + images + "]}");
        }
        return project;
    }

    /** Processor time of a command and all it starts. */
    private static double seconds(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("bash", "-c", "set -o pipefail; TIMEFORMAT='%U %S'; time { " + command + " >/dev/null 2>&1; }")
                .start();
        String told = new String(process.getErrorStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        if (process.waitFor() != 0) {
            throw new IllegalStateException(command + " ended with " + process.exitValue());
        }
        return List.of(told.split(" ")).stream().mapToDouble(Double::parseDouble).sum();
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
