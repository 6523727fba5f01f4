package org.opensatchel.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.ChainedOptionsBuilder;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** What is measured inside one process: by JMH, each figure beside its baseline. */
final class InsideBench {

    private final Map<String, Double> milliseconds;

    private InsideBench(Map<String, Double> milliseconds) {
        this.milliseconds = milliseconds;
    }

    public static void main(String[] args) throws RunnerException {
        Map<String, Double> scores = new HashMap<>();
        List<ChainedOptionsBuilder> runs = List.of(options(ListingBench.class, "parse").param("project", "WALKED", "SHUFFLED"),
                options(ListingBench.class, "check"), options(FinderBench.class, ""));
        for (ChainedOptionsBuilder run : runs) {
            new Runner(run.build()).run().forEach(result -> scores.put(name(result), result.getPrimaryResult().getScore()));
        }
        InsideBench results = new InsideBench(scores);
        results.listing();
        results.finder();
    }

    private static ChainedOptionsBuilder options(Class<?> bench, String method) {
        return new OptionsBuilder().include("\\b" + bench.getSimpleName() + "\\." + method).forks(2).jvmArgs("-Xmx1g", "-XX:-UsePerfData")
                .warmupIterations(3).warmupTime(TimeValue.seconds(1))
                .measurementIterations(3).measurementTime(TimeValue.seconds(1)).shouldFailOnError(true).verbosity(VerboseMode.SILENT);
    }

    private static String name(RunResult run) {
        String benchmark = run.getParams().getBenchmark();
        String parameter = run.getParams().getParamsKeys().stream().map(run.getParams()::getParam).collect(Collectors.joining(" "));
        return benchmark.substring(benchmark.lastIndexOf('.') + 1) + " " + parameter;
    }

    private double of(String name) {
        return milliseconds.get(name);
    }

    private void listing() {
        System.out.println("check of a listing: 200,000 files, 50,000 links (JMH, means of 2 times 3 iterations)");
        System.out.printf("  parsing it into objects        %.0f ms (baseline)%n", of("parse WALKED"));
        System.out.printf("  check                          %.0f ms, %.2f times the baseline (at most 3)%n", of("check WALKED"),
                of("check WALKED") / of("parse WALKED"));
        System.out.printf("  the same in no order           %.0f ms, %.2f times parsing that%n", of("check SHUFFLED"),
                of("check SHUFFLED") / of("parse SHUFFLED"));
        System.out.printf("  half of it                     %.0f ms; twice as much takes %.2f times as long (at most 2.2)%n",
                of("check HALF"), of("check WALKED") / of("check HALF"));
        System.out.printf("  every link broken              %.0f ms; half of it %.0f ms; twice as much takes %.2f times as long%n",
                of("check BROKEN"), of("check BROKEN_HALF"),
                of("check BROKEN") / of("check BROKEN_HALF"));
    }

    private void finder() {
        System.out.println("path finder: 64 MiB, one thread (JMH)");
        for (String content : List.of("NOISE", "TEXT")) {
            System.out.printf("  %-5s  every byte looked at     %.0f MB/s (baseline)%n", content.toLowerCase(java.util.Locale.ROOT),
                    FinderBench.BYTES / 1e3 / of("look " + content));
            System.out.printf("  %-5s  path finder              %.0f MB/s, %.2f of the baseline (at least 150 MB/s, or 0.5)%n",
                    content.toLowerCase(java.util.Locale.ROOT),
                    FinderBench.BYTES / 1e3 / of("find " + content), of("look " + content) / of("find " + content));
        }
    }
}
