package org.opensatchel.web.checks;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * In which order checks are begun: small projects before large ones, and among those of a size in turns, one of each
 * course and in a course one of each student. Who waits long counts as smaller, so that a large project is not passed
 * over for ever. A student has one check at a time, and large projects never take every place at once.
 */
final class FairQueue {

    /** From this weight on a project is large. */
    static final int LARGE = 2;
    private static final Duration LONG_WAIT = Duration.ofMinutes(3);

    /** A check that waits. */
    record Waiting(long handIn, long course, long account, Instant queuedAt, int weight) {}

    /** A check that is going on. */
    record Running(long course, long account, int weight) {}

    /** How large a project is at a glance: by its entries, and by what it unpacks to in bytes. */
    static int weight(long entries, long bytes) {
        if (entries > 20_000 || bytes > 256L << 20) {
            return LARGE;
        }
        return entries > 2_000 || bytes > 4L << 20 ? 1 : 0;
    }

    private final List<Waiting> order;
    private final List<Running> running;
    private final int places;

    /** @param places how many checks go on at once */
    FairQueue(List<Waiting> waiting, List<Running> running, int places, Instant now) {
        this.running = running;
        this.places = places;
        this.order = order(waiting, running, now);
    }

    /** All that wait, the next one first. */
    List<Waiting> order() {
        return order;
    }

    /** The one to begin now; empty when none of those that wait may. */
    Optional<Waiting> next() {
        long large = running.stream().filter(one -> one.weight >= LARGE).count();
        boolean room = large < Math.max(1, places - 1);
        return order.stream().filter(one -> running.stream().noneMatch(other -> other.account == one.account))
                .filter(one -> room || one.weight < LARGE).findFirst();
    }

    /** A small project of 0 to a large one of 2, less what it has waited. */
    private static int size(Waiting one, Instant now) {
        long waits = Duration.between(one.queuedAt, now).dividedBy(LONG_WAIT);
        return (int) Math.max(0, one.weight - Math.max(0, waits));
    }

    /** What stands in the order: its turn among all of its size. */
    private record Turn(Waiting one, int size, long turn) {}

    private static List<Waiting> order(List<Waiting> waiting, List<Running> running, Instant now) {
        List<Turn> turns = turns(waiting.stream().map(one -> new Turn(one, size(one, now), 0)).toList(), one -> one.account, running,
                other -> other.account);
        return turns(turns, one -> one.course, running, other -> other.course).stream()
                .sorted(Comparator.comparingInt(Turn::size).thenComparingLong(Turn::turn).thenComparing(turn -> turn.one.queuedAt)
                        .thenComparingLong(turn -> turn.one.handIn))
                .map(Turn::one).toList();
    }

    /** Counts off those of each owner and size in their order so far; what of the owner's is going on already counts first. */
    private static List<Turn> turns(List<Turn> before, Function<Waiting, Long> owner, List<Running> running,
            Function<Running, Long> runner) {
        Map<Long, Long> going = running.stream().collect(Collectors.groupingBy(runner, Collectors.counting()));
        Map<List<Long>, Long> counted = new HashMap<>();
        List<Turn> out = new ArrayList<>();
        before.stream().sorted(Comparator.comparingInt(Turn::size).thenComparingLong(Turn::turn).thenComparing(turn -> turn.one.queuedAt)
                .thenComparingLong(turn -> turn.one.handIn)).forEach(turn -> {
                    long whose = owner.apply(turn.one);
                    long number = counted.merge(List.of(whose, (long) turn.size), 1L, Long::sum);
                    out.add(new Turn(turn.one, turn.size, going.getOrDefault(whose, 0L) + number));
                });
        return out;
    }
}
