package org.opensatchel.web.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

/** Wrong tries slow down, right ones do not, and nobody waits for ever. */
class SignInGuardTest {

    /** A clock that is put forward by hand. */
    private static final class HandClock extends Clock {
        private Instant now = Instant.EPOCH;

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    private final HandClock clock = new HandClock();
    private final SignInGuard guard = new SignInGuard(clock);

    private void wrong(int times, String login, String address) {
        for (int i = 0; i < times; i++) {
            guard.wrong(login, address);
        }
    }

    @Test
    void aFewWrongTriesAreFreeAndThenEachWaitIsTwiceAsLong() {
        wrong(4, "marsh", "10.0.0.1");
        assertThat(guard.wait("marsh", "10.0.0.1")).isZero();
        wrong(1, "marsh", "10.0.0.1");
        assertThat(guard.wait("MARSH ", "10.9.9.9")).as("whatever the address and the letters").isEqualTo(Duration.ofSeconds(5));
        wrong(1, "marsh", "10.0.0.1");
        assertThat(guard.wait("marsh", "10.0.0.1")).isEqualTo(Duration.ofSeconds(10));
        wrong(20, "marsh", "10.0.0.1");
        assertThat(guard.wait("marsh", "10.0.0.1")).as("never for ever").isEqualTo(Duration.ofMinutes(5));
        clock.now = clock.now.plus(Duration.ofMinutes(5));
        assertThat(guard.wait("marsh", "10.0.0.1")).isZero();
    }

    @Test
    void aRightPasswordForgetsTheWrongOnes() {
        wrong(5, "marsh", "10.0.0.1");
        guard.right("marsh");
        assertThat(guard.wait("marsh", "10.0.0.1")).isZero();
    }

    @Test
    void manyAccountsFromOneAddressSlowTheAddressAlone() {
        for (int i = 0; i < 40; i++) {
            guard.wrong("student" + i, "10.0.0.1");
        }
        assertThat(guard.wait("somebody", "10.0.0.1")).as("who has tried nothing yet is kept out by nobody").isZero();
        wrong(2, "somebody", "10.0.0.1");
        assertThat(guard.wait("somebody", "10.0.0.1")).isPositive();
        assertThat(guard.wait("somebody", "10.0.0.2")).isZero();
        clock.now = clock.now.plus(Duration.ofHours(2));
        wrong(3, "somebody", "10.0.0.1");
        assertThat(guard.wait("somebody", "10.0.0.1")).as("an hour later all is forgotten").isZero();
    }

    /** One person behind the address of a school tries one account all day. */
    @Test
    void onePersonKeepsNobodyElseOutFromTheSameAddress() {
        wrong(500, "marsh", "10.0.0.1");
        wrong(3, "somebody", "10.0.0.1");
        assertThat(guard.wait("somebody", "10.0.0.1")).isZero();
        assertThat(guard.wait("marsh", "10.0.0.1")).isPositive();
    }

    /** Whoever tries a password or two of very many accounts is slowed down all the same. */
    @Test
    void aFirstTryOfEachOfVeryManyIsNotFreeForEver() {
        for (int i = 0; i < 700; i++) {
            guard.wrong("student" + i, "10.0.0.1");
        }
        assertThat(guard.wait("fresh", "10.0.0.1")).isPositive();
    }
}
