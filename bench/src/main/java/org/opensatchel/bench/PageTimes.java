package org.opensatchel.bench;

import java.util.Collection;
import java.util.List;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Collectors;

/** How long pages took in a soak, by what they are and by what was killed meanwhile. Used by many threads. */
final class PageTimes {

    private final ConcurrentLinkedQueue<PageTime> all = new ConcurrentLinkedQueue<>();

    /**
     * A page that was read.
     *
     * @param path its address, with N for each number
     * @param at when it was there, in milliseconds of the system's clock
     */
    private record PageTime(String path, long at, long millis) {}

    /** A page is there now. */
    void add(String path, long millis) {
        all.add(new PageTime(path.replaceAll("[0-9]+", "N"), System.currentTimeMillis(), millis));
    }

    long p95() {
        return quantile(all, 0.95);
    }

    /** @param kills what was killed and when, in milliseconds, a line each */
    void tell(List<String> kills) {
        Soak.line("pages read", all.size());
        Soak.line("page, ms", quantiles(all));
        Soak.line("  of these up to 30 s after a server or database was killed", quantiles(near(kills, true)));
        Soak.line("  of these at any other time", quantiles(near(kills, false)));
        all.stream().collect(Collectors.groupingBy(PageTime::path, TreeMap::new, Collectors.toList()))
                .forEach((path, some) -> Soak.line("  of these " + path, quantiles(some)));
    }

    private static long quantile(Collection<PageTime> some, double share) {
        List<Long> sorted = some.stream().map(PageTime::millis).sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(Math.min(sorted.size() - 1, (int) (sorted.size() * share)));
    }

    private static String quantiles(Collection<PageTime> some) {
        return "median %d, p95 %d, p99 %d, longest %d, of %d".formatted(quantile(some, 0.5), quantile(some, 0.95), quantile(some, 0.99),
                quantile(some, 1), some.size());
    }

    /** Pages read shortly after what answers them was killed, or the others. */
    private List<PageTime> near(List<String> kills, boolean near) {
        List<Long> times = kills.stream().map(line -> line.split(" ")).filter(line -> !line[0].equals("worker"))
                .map(line -> Long.parseLong(line[1])).toList();
        return all.stream()
                .filter(page -> near == times.stream().anyMatch(at -> page.at >= at && page.at - page.millis < at + 30_000)).toList();
    }
}
