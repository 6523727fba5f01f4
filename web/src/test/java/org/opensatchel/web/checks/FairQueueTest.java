package org.opensatchel.web.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.web.checks.FairQueue.Running;
import org.opensatchel.web.checks.FairQueue.Waiting;

/** The order of checks: each case a list of hand-ins, written course.student:weight@seconds waited, and the order they are begun in. */
class FairQueueTest {

    private static final Instant NOW = Instant.parse("2026-11-27T12:00:00Z");

    private static Waiting waiting(int number, String text) {
        String[] parts = text.split("[.:@]");
        return new Waiting(number, Long.parseLong(parts[0]), Long.parseLong(parts[1]), NOW.minusSeconds(Long.parseLong(parts[3])),
                Integer.parseInt(parts[2]));
    }

    private static List<Waiting> all(String text) {
        List<Waiting> out = new ArrayList<>();
        for (String one : text.isBlank() ? new String[0] : text.trim().split(" ")) {
            out.add(waiting(out.size() + 1, one));
        }
        return out;
    }

    private static List<Running> running(String text) {
        return all(text).stream().map(one -> new Running(one.course(), one.account(), one.weight())).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "first come first served | 1.1:0@30 1.2:0@20 1.3:0@10 | '' | 1 2 3",
            "one of each student in turns | 1.1:0@50 1.1:0@40 1.1:0@30 1.2:0@20 1.3:0@10 | '' | 1 4 5 2 3",
            "one of each course in turns | 1.1:0@50 1.2:0@40 1.3:0@30 2.4:0@20 2.5:0@10 | '' | 1 4 2 5 3",
            "small before large | 1.1:2@50 1.2:1@40 1.3:0@30 | '' | 3 2 1",
            "who waited long counts as smaller | 1.1:2@500 1.2:1@40 1.3:0@30 | '' | 1 3 2",
            "what goes on counts | 1.1:0@50 2.2:0@10 | 1.9:0@0 | 2 1",
            "nobody waits | '' | '' | ''"})
    void ordered(String why, String waits, String goesOn, String order) {
        FairQueue queue = new FairQueue(all(waits), running(goesOn), 2, NOW);
        assertThat(queue.order().stream().map(one -> Long.toString(one.handIn())).collect(Collectors.joining(" "))).as(why)
                .isEqualTo(order);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "a student has one at a time | 1.1:0@50 1.2:0@10 | 1.1:0@0 | 2 | 2",
            "a place stays free for small ones | 1.1:2@50 1.2:2@10 | 1.9:2@0 | 2 | 0",
            "a small one takes it | 1.1:2@50 1.2:0@10 | 1.9:2@0 | 2 | 2",
            "of four places three may be large | 1.1:2@50 | 1.8:2@0 1.9:2@0 | 4 | 1",
            "with one place it is taken by whatever comes | 1.1:2@50 | '' | 1 | 1"})
    void begun(String why, String waits, String goesOn, int places, long next) {
        assertThat(new FairQueue(all(waits), running(goesOn), places, NOW).next().map(Waiting::handIn).orElse(0L)).as(why).isEqualTo(next);
    }

    @Test
    void whateverWaitsEveryOneIsInTheOrderOnce() {
        Random random = new Random(7);
        List<Waiting> many = new ArrayList<>();
        for (int i = 0; i < 2_000; i++) {
            many.add(new Waiting(i, random.nextInt(5), random.nextInt(100), NOW.minusSeconds(random.nextInt(900)), random.nextInt(3)));
        }
        assertThat(new FairQueue(many, List.of(), 2, NOW).order()).hasSameElementsAs(many).hasSameSizeAs(many);
    }

    /** Five large archives of one student never hold up another's small one. */
    @Test
    void aSmallProjectBehindFiveLargeOnesIsNext() {
        FairQueue queue = new FairQueue(all("1.1:2@60 1.2:2@50 1.3:2@40 1.4:2@30 1.5:0@1"), running("1.6:2@0"), 2, NOW);
        assertThat(queue.next().orElseThrow().account()).isEqualTo(5);
    }
}
