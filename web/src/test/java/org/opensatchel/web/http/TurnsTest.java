package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockAsyncContext;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.scheduling.TaskScheduler;

/** Turns that are waited for, come, are not taken, or are taken too late. Pages are made inside of each other, so that all have their turn at once. */
class TurnsTest {

    private static final int MANY = 40;

    private final Refusals refusals = mock(Refusals.class);
    private long now = Long.MAX_VALUE - Duration.ofSeconds(50).toNanos();
    private final Turns turns = new Turns(refusals, mock(TaskScheduler.class), () -> now);
    private final List<MockHttpServletRequest> waiting = new ArrayList<>();

    private static MockHttpServletRequest request() {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/");
        request.setAsyncSupported(true);
        return request;
    }

    /** How many pages of one address are made at once, when each begins another one and that before it ends. */
    private int atOnce() throws ServletException, IOException {
        int[] going = new int[1];
        next(going);
        return going[0];
    }

    private void next(int[] going) throws ServletException, IOException {
        if (going[0] == MANY) {
            return;
        }
        MockHttpServletRequest request = request();
        FilterChain page = (asked, answer) -> {
            going[0]++;
            next(going);
        };
        turns.doFilter(request, new MockHttpServletResponse(), page);
        if (request.isAsyncStarted()) {
            waiting.add(request);
        }
    }

    private static boolean isCalled(MockHttpServletRequest request) {
        return request.getAttribute(Turns.class.getName()) != null;
    }

    private boolean comes(MockHttpServletRequest request) throws ServletException, IOException {
        boolean[] made = new boolean[1];
        request.setAsyncStarted(false);
        request.setDispatcherType(DispatcherType.ASYNC);
        turns.doFilter(request, new MockHttpServletResponse(), (asked, answer) -> made[0] = true);
        return made[0];
    }

    @Test
    void whoWaitsIsCalledWhenSomebodyIsDone() throws ServletException, IOException {
        int most = atOnce();
        assertThat(most).isBetween(1, MANY - 1);
        assertThat(waiting).hasSize(1);
        assertThat(isCalled(waiting.get(0))).isTrue();
        assertThat(comes(waiting.get(0))).isTrue();
        assertThat(atOnce()).isEqualTo(most);
    }

    /** A connection that ends just when its turn has come tells nobody. */
    @Test
    void theTurnOfSomebodyWhoDoesNotComeIsTheNextOnes() throws ServletException, IOException {
        int most = atOnce();
        turns.look();
        assertThat(atOnce()).as("they may still come").isEqualTo(most - 1);
        now += Duration.ofMinutes(1).toNanos();
        turns.look();
        turns.look();
        assertThat(atOnce()).isEqualTo(most);
    }

    @Test
    void whoComesTooLateTakesAnotherTurn() throws ServletException, IOException {
        int most = atOnce();
        now += Duration.ofMinutes(1).toNanos();
        turns.look();
        assertThat(comes(waiting.get(0))).isTrue();
        assertThat(atOnce()).as("it was given back once").isEqualTo(most);
    }

    @Test
    void whoWaitsTooLongIsToldSo() throws ServletException, IOException {
        boolean[] told = new boolean[1];
        MockHttpServletRequest late = new MockHttpServletRequest("GET", "/");
        late.setAsyncSupported(true);
        fill(0, () -> {
            turns.doFilter(late, new MockHttpServletResponse(), (asked, answer) -> told[0] = true);
            now += Duration.ofMinutes(3).toNanos();
            turns.look();
        });
        assertThat(isCalled(late)).as("its turn never came").isFalse();
        MockHttpServletResponse answer = new MockHttpServletResponse();
        late.setAsyncStarted(false);
        late.setDispatcherType(DispatcherType.ASYNC);
        turns.doFilter(late, answer, (asked, unused) -> told[0] = true);
        assertThat(told[0]).isFalse();
        org.mockito.Mockito.verify(refusals).refuse(late, answer, HttpStatus.SERVICE_UNAVAILABLE);
    }

    private interface Step {
        void run() throws ServletException, IOException;
    }

    /** Runs something while every turn of an address is taken. */
    private void fill(int depth, Step step) throws ServletException, IOException {
        MockHttpServletRequest request = request();
        boolean[] went = new boolean[1];
        if (depth < MANY) {
            turns.doFilter(request, new MockHttpServletResponse(), (asked, answer) -> {
                went[0] = true;
                fill(depth + 1, step);
            });
        }
        if (!went[0]) {
            AsyncContext context = request.getAsyncContext();
            assertThat(context).isInstanceOf(MockAsyncContext.class);
            step.run();
        }
    }
}
