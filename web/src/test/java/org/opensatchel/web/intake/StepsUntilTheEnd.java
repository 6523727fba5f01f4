package org.opensatchel.web.intake;

import java.lang.reflect.InvocationTargetException;
import java.util.concurrent.atomic.AtomicInteger;
import org.mockito.Mockito;

/**
 * Calls of some things, each two steps: before it and after it. At one of them whoever makes it ends, as a process does that is killed: with what
 * nobody catches, and without another step.
 */
final class StepsUntilTheEnd {

    private final int last;
    private final AtomicInteger steps = new AtomicInteger();
    private volatile boolean ended;

    /** @param last how many steps there are before the end */
    StepsUntilTheEnd(int last) {
        this.last = last;
    }

    /** What a process does at which it ends. */
    private static final class Ended extends Error {
        private static final long serialVersionUID = 1L;

        Ended() {
            super("the server ends here", null, false, false);
        }
    }

    boolean ended() {
        return ended;
    }

    /** A thing of which each call is two steps. */
    <T> T over(Class<T> type, T real) {
        return Mockito.mock(type, call -> {
            step();
            try {
                call.getMethod().setAccessible(true);
                Object answer = call.getMethod().invoke(real, call.getArguments());
                step();
                return answer;
            } catch (InvocationTargetException thrown) {
                throw thrown.getCause();
            }
        });
    }

    private void step() {
        // Nothing follows: also not what is called while it ends.
        if (ended || steps.getAndIncrement() == last) {
            ended = true;
            throw new Ended();
        }
    }
}
