package org.opensatchel.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.Profiles;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.formats.described.learn.Learner;
import org.opensatchel.formats.guessed.PathFinder;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** Learning a format from 20 MB of documents among 5,000 files, and reading by it, beside the path finder on the same bytes. */
final class ProfileBench {

    private static final int FILES = 5_000;
    private static final int DOCUMENTS = 4;
    private static final int SIZE = 20 << 20;
    private static final int ROUNDS = 5;
    /** What stands beside a link in a document is many times as much. */
    private static final int KEYS = 24;
    private static final int MOST_TEXT = 4_096;

    private ProfileBench() {
    }

    /** The formats it is measured with. */
    enum Format {
        XML, JSON, TEXT, BYTES;

        void record(StringBuilder out, int number, String path) {
            switch (this) {
                case XML ->
                    out.append("<take n=\"").append(number).append("\" title=\"Take ").append(number).append("\" src=\"").append(path)
                            .append("\"><gain>").append("<key at=\"0.25\" db=\"-3.5\" ease=\"soft\"/>".repeat(KEYS))
                            .append("</gain></take>\n");
                case JSON -> out.append(number > 0 ? "," : "").append("{\"n\":").append(number).append(",\"title\":\"Take ").append(number)
                        .append("\",\"media\":{\"file\":\"").append(path)
                        .append("\"},\"gain\":[{\"at\":0.25,\"db\":-3.5,\"ease\":\"soft\"}")
                        .append(",{\"at\":0.5,\"db\":-3.5,\"ease\":\"soft\"}".repeat(KEYS - 1)).append("]}\n");
                case TEXT -> out.append("take ").append(number).append(" \"Take ").append(number).append("\" file \"").append(path)
                        .append("\" gain\n").append("  key 0.25 -3.5 soft # a\n".repeat(KEYS));
                case BYTES -> {
                    byte[] length = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(path.length()).array();
                    out.append("FREF").append(new String(length, StandardCharsets.ISO_8859_1)).append(path).append("GAIN")
                            .append("\0\0\u0080\u003f\0\0\u0060\u00c0\3\0\0\0\u00ff\u00fe\4\1".repeat(KEYS));
                }
                default -> throw new IllegalStateException();
            }
        }

        byte[] document(Random random) {
            String[] around = switch (this) {
                case XML -> new String[]{"<reel><lane>\n", "</lane></reel>"};
                case JSON -> new String[]{"{\"takes\":[\n", "]}"};
                case TEXT -> new String[]{"reel 3\n", "end\n"};
                case BYTES -> new String[]{"REELDATA\0\0\0\3", "\0"};
            };
            StringBuilder out = new StringBuilder(SIZE / DOCUMENTS + 200).append(around[0]);
            for (int i = 0; out.length() < SIZE / DOCUMENTS; i++) {
                record(out, i, "../media/take_" + random.nextInt(FILES) + ".mov");
            }
            return out.append(around[1]).toString().getBytes(this == BYTES ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_8);
        }
    }

    public static void main(String[] args) throws Exception {
        System.out.printf("profiles: %d files, %d documents of %d MiB in all; medians of %d, heap %d MiB%n", FILES, DOCUMENTS, SIZE >> 20,
                ROUNDS,
                Runtime.getRuntime().maxMemory() >> 20);
        Set<ProjectPath> files = new HashSet<>();
        for (int i = 0; i < FILES; i++) {
            files.add(ProjectPath.of("media/take_" + i + ".mov"));
        }
        for (Format format : Format.values()) {
            measure(format, files);
        }
    }

    private static void measure(Format format, Set<ProjectPath> files) throws IOException, Unreadable {
        Random random = new Random(3);
        List<Example.Document> documents = new ArrayList<>();
        for (int i = 0; i < DOCUMENTS; i++) {
            documents.add(new Example.Document(ProjectPath.of("edit/reel" + i + ".rlx"), format.document(random)));
        }
        Example example = new Example(Optional.of("x"), files, Optional.empty(), documents);
        double[] learning = new double[ROUNDS];
        double[] finding = new double[ROUNDS];
        double[] reading = new double[ROUNDS];
        Profile profile = null;
        for (int i = 0; i < ROUNDS; i++) {
            long start = System.nanoTime();
            Learned learned = new Learner(List.of(example)).learn();
            learning[i] = (System.nanoTime() - start) / 1e9;
            profile = learned.profile("Reels").orElseThrow();
        }
        Profiles profiles = new Profiles(List.of(profile));
        int read = 0;
        for (int i = 0; i < ROUNDS; i++) {
            long start = System.nanoTime();
            for (Example.Document document : documents) {
                PathFinder.read(new DocumentContent(document.path(), new ByteArrayInputStream(document.bytes()), SIZE),
                        new LinkSink(document.path(), MOST_TEXT, Formats.ENDINGS));
            }
            finding[i] = (System.nanoTime() - start) / 1e9;
            start = System.nanoTime();
            read = 0;
            for (Example.Document document : documents) {
                LinkSink sink = new LinkSink(document.path(), MOST_TEXT, Formats.ENDINGS);
                profiles.read(document.path(), document.bytes(), sink);
                read += sink.count();
            }
            reading[i] = (System.nanoTime() - start) / 1e9;
        }
        System.out.printf("  %-5s  learning                 %.2f s, the first time %.2f s (at most 3 s)%n", word(format), median(learning),
                learning[0]);
        System.out.printf("  %-5s  path finder              %.0f MB/s (baseline)%n", word(format), SIZE / 1e6 / median(finding));
        System.out.printf("  %-5s  reading by the profile   %.0f MB/s, %.2f of the baseline (at least 0.5), %d links%n", word(format),
                SIZE / 1e6 / median(reading), median(finding) / median(reading), read);
    }

    private static String word(Format format) {
        return format.name().toLowerCase(java.util.Locale.ROOT);
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
