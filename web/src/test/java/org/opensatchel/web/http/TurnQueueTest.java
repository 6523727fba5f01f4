package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.web.http.TurnQueue.Entry;
import org.opensatchel.web.http.TurnQueue.Share;

/** Turns go round: who asks for very much keeps nobody waiting for longer than one turn of each. */
class TurnQueueTest {

    private static final Share SHARE = new Share(2, 100);

    @Test
    void whoComesAfterSomebodyWithVeryManyIsNext() {
        TurnQueue<String> queue = new TurnQueue<>(3, 0, any -> SHARE);
        assertThat(queue.enter("greedy", "g1")).isEqualTo(Entry.GOES);
        assertThat(queue.enter("greedy", "g2")).isEqualTo(Entry.GOES);
        IntStream.range(3, 90).forEach(i -> assertThat(queue.enter("greedy", "g" + i)).isEqualTo(Entry.WAITS));
        assertThat(queue.enter("one", "o1")).as("there is a place that the greedy may not have").isEqualTo(Entry.GOES);
        assertThat(queue.enter("two", "t1")).isEqualTo(Entry.WAITS);
        assertThat(queue.leave("greedy")).containsExactly("g3");
        assertThat(queue.leave("greedy")).containsExactly("t1");
        assertThat(queue.leave("two")).containsExactly("g4");
    }

    @Test
    void ofOneSoManyWaitAndTheNextIsRefused() {
        TurnQueue<String> queue = new TurnQueue<>(1, 0, any -> new Share(1, 2));
        assertThat(List.of(queue.enter("a", "1"), queue.enter("a", "2"), queue.enter("a", "3"), queue.enter("a", "4")))
                .containsExactly(Entry.GOES, Entry.WAITS, Entry.WAITS, Entry.REFUSED);
        assertThat(queue.enter("b", "5")).as("somebody else").isEqualTo(Entry.WAITS);
        assertThat(queue.forget("a", "2")).isTrue();
        assertThat(queue.forget("a", "2")).as("once").isFalse();
        assertThat(queue.enter("a", "6")).isEqualTo(Entry.WAITS);
        assertThat(queue.leave("a")).containsExactly("3");
        assertThat(queue.forget("a", "3")).as("it goes already").isFalse();
    }

    @Test
    void whoWantsManyGetsThemAsLongAsThereIsRoomAndOthersGetTheirDueAtOnce() {
        TurnQueue<String> queue = new TurnQueue<>(6, 3, any -> new Share(1, 100));
        assertThat(List.of(queue.enter("many", "m1"), queue.enter("many", "m2"), queue.enter("many", "m3"))).containsOnly(Entry.GOES);
        assertThat(queue.enter("many", "m4")).isEqualTo(Entry.WAITS);
        assertThat(queue.enter("one", "o1")).isEqualTo(Entry.GOES);
        assertThat(queue.leave("many")).as("three still go").isEmpty();
        assertThat(queue.leave("many")).as("there is room again").containsExactly("m4");
        assertThat(queue.enter("many", "m5")).isEqualTo(Entry.WAITS);
        assertThat(queue.leave("one")).containsExactly("m5");
    }

    /** Where there is room for one, it is somebody's who has nothing yet, and not theirs who waited longer. */
    @Test
    void whoseDueItIsGoesFirst() {
        TurnQueue<String> queue = new TurnQueue<>(2, 2, any -> new Share(1, 100));
        assertThat(List.of(queue.enter("many", "m1"), queue.enter("many", "m2"), queue.enter("many", "m3"), queue.enter("one", "o1")))
                .containsExactly(Entry.GOES, Entry.GOES, Entry.WAITS, Entry.WAITS);
        assertThat(queue.leave("many")).containsExactly("o1");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 3, 9})
    void whateverComesAndGoesEveryoneGetsThroughAndNoneTooManyGo(int room) {
        long seed = System.nanoTime();
        Random random = new Random(seed);
        TurnQueue<String> queue = new TurnQueue<>(5, room, any -> SHARE);
        Map<String, Integer> going = new HashMap<>();
        Deque<String> running = new ArrayDeque<>();
        int[] through = new int[1];
        int come = 0;
        for (int step = 0; step < 5_000; step++) {
            if (step < 3_000 && random.nextInt(3) > 0) {
                String who = Integer.toString(random.nextInt(6));
                Entry entry = queue.enter(who, who);
                come += entry == Entry.REFUSED ? 0 : 1;
                if (entry == Entry.GOES) {
                    begin(who, going, running, through);
                }
            } else if (!running.isEmpty()) {
                List<String> order = new ArrayList<>(running);
                String who = order.get(random.nextInt(order.size()));
                running.remove(who);
                going.merge(who, -1, Integer::sum);
                queue.leave(who).forEach(next -> begin(next, going, running, through));
            }
            assertThat(running.size()).as("seed %d", seed).isLessThanOrEqualTo(5);
            assertThat(going.values()).as("seed %d", seed).allMatch(count -> count >= 0 && count <= Math.max(SHARE.due(), room));
        }
        assertThat(through[0]).as("seed %d", seed).isEqualTo(come);
    }

    private static void begin(String who, Map<String, Integer> going, Deque<String> running, int[] through) {
        running.add(who);
        going.merge(who, 1, Integer::sum);
        through[0]++;
    }
}
