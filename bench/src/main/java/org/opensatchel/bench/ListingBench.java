package org.opensatchel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report;

/** The check of a listing, against parsing it into objects. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class ListingBench {

    /** What is measured: the whole, the whole in no order, half of it, and both with every link broken. */
    public enum Project {
        WALKED(200_000, 50_000, false, false),
        SHUFFLED(200_000, 50_000, true, false),
        HALF(100_000, 25_000, false, false),
        BROKEN(200_000, 50_000, false, true),
        BROKEN_HALF(100_000, 25_000, false, true);

        private final int files;
        private final int links;
        private final boolean shuffled;
        private final boolean broken;

        Project(int files, int links, boolean shuffled, boolean broken) {
            this.files = files;
            this.links = links;
            this.shuffled = shuffled;
            this.broken = broken;
        }
    }

    /** What a listing is parsed into for the baseline. */
    public record PlainListing(int listing, String root, List<PlainFile> files) {}

    /** One of its files. */
    public record PlainFile(String path, long bytes, String sha256) {}

    @Param
    public Project project;

    private Path folder;
    private byte[] json;

    @Setup(Level.Trial)
    public void make() throws IOException {
        folder = Listings.make(Files.createTempDirectory("satchel-bench"), project.files, project.links, project.shuffled, project.broken);
        json = Files.readAllBytes(folder.resolve("listing.json"));
    }

    @TearDown(Level.Trial)
    public void remove() throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
        }
    }

    @Benchmark
    public PlainListing parse() {
        return JsonDocuments.MAPPER.readValue(json, PlainListing.class);
    }

    @Benchmark
    public Report check() throws IOException {
        try (ProjectSource source = new ListingSource(folder.resolve("listing.json"),
                Optional.of(new FolderSource(folder.resolve("documents"))))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
            if (report.project().links() != project.links || (report.counts().must() != 0) != project.broken) {
                throw new IllegalStateException("not what was made: " + report.counts() + ", " + report.project());
            }
            return report;
        }
    }
}
