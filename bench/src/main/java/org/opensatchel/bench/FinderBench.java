package org.opensatchel.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.guessed.PathFinder;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** The path finder on one thread, against looking at every byte. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class FinderBench {

    static final int BYTES = 64 << 20;

    /** What is looked through. */
    public enum Content {
        NOISE, TEXT
    }

    @Param
    public Content content;

    private byte[] bytes;

    @Setup(Level.Trial)
    public void make() {
        bytes = content == Content.NOISE ? noise() : text();
    }

    private static byte[] noise() {
        byte[] noise = new byte[BYTES];
        new Random(2).nextBytes(noise);
        return noise;
    }

    private static byte[] text() {
        StringBuilder text = new StringBuilder(BYTES + 100);
        for (int i = 0; text.length() < BYTES; i++) {
            text.append("object ").append(i).append(" { colour 0.25 0.5 0.75; name plate_").append(i).append("; turn 12.5 }\n");
            if (i % 200 == 0) {
                text.append("map \"F:/OBJ210/surfaces/steel_").append(i).append(".png\"\n");
            }
        }
        return Arrays.copyOf(text.toString().getBytes(StandardCharsets.US_ASCII), BYTES);
    }

    @Benchmark
    public long look() {
        long sum = 0;
        for (byte b : bytes) {
            sum += b == '/' ? 1 : 0;
        }
        return sum;
    }

    @Benchmark
    public int find() throws IOException, Unreadable {
        LinkSink sink = new LinkSink(ProjectPath.of("thing.scn"), 4_096, Formats.ENDINGS);
        PathFinder.read(new DocumentContent(ProjectPath.of("thing.scn"), new ByteArrayInputStream(bytes), BYTES), sink);
        return sink.links().size();
    }
}
