package org.opensatchel.web.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.opensatchel.base.text.Shortened;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever tries passwords: after a few wrong ones in a row an account, and after more of them an address, has
 * to wait, each time twice as long. Nobody is locked out for long, since wrong tries may be somebody else's.
 */
@Component
class SignInGuard {

    private static final Logger LOG = LoggerFactory.getLogger(SignInGuard.class);
    private static final int FREE_BY_ACCOUNT = 5;
    private static final int FREE_BY_ADDRESS = 30;
    private static final int OWN_TRIES = 2;
    private static final int MOST_BY_ADDRESS = 600;
    private static final Duration FIRST = Duration.ofSeconds(5);
    private static final Duration LONGEST = Duration.ofMinutes(5);
    private static final Duration FORGOTTEN = Duration.ofHours(1);
    private static final int MOST_REMEMBERED = 20_000;

    private final Clock clock;
    private final Map<String, Tries> wrong = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Tries> eldest) {
            return size() > MOST_REMEMBERED;
        }
    };

    private record Tries(int count, Instant last) {}

    SignInGuard(Clock clock) {
        this.clock = clock;
    }

    /** How long is still to wait before a try is looked at; zero when it is. */
    synchronized Duration wait(String login, String address) {
        Duration account = left(account(login), FREE_BY_ACCOUNT);
        // A whole school may share one address: who tries there all day keeps nobody else from a first try or two of their own.
        boolean own = recent(account(login)) < OWN_TRIES && recent(source(address)) < MOST_BY_ADDRESS;
        Duration source = own ? Duration.ZERO : left(source(address), FREE_BY_ADDRESS);
        return account.compareTo(source) > 0 ? account : source;
    }

    synchronized void wrong(String login, String address) {
        int count = count(account(login));
        // One account counts for its address only so often, so that it takes many to slow down an address.
        if (count <= FREE_BY_ACCOUNT) {
            count(source(address));
        }
        if (count >= FREE_BY_ACCOUNT) {
            LOG.warn("{} wrong passwords in a row for one account, the last from {}", count, address);
        }
    }

    synchronized void right(String login) {
        wrong.remove(account(login));
    }

    private int count(String key) {
        Tries before = wrong.get(key);
        boolean fresh = before == null || before.last.plus(FORGOTTEN).isBefore(clock.instant());
        Tries now = new Tries(fresh ? 1 : before.count + 1, clock.instant());
        wrong.put(key, now);
        return now.count;
    }

    /** Wrong tries within the hour. */
    private int recent(String key) {
        Tries tries = wrong.get(key);
        return tries == null || tries.last.plus(FORGOTTEN).isBefore(clock.instant()) ? 0 : tries.count;
    }

    private Duration left(String key, int free) {
        Tries tries = wrong.get(key);
        if (tries == null || tries.count < free) {
            return Duration.ZERO;
        }
        Duration wait = FIRST.multipliedBy(1L << Math.min(10, tries.count - free));
        Duration left = Duration.between(clock.instant(), tries.last.plus(wait.compareTo(LONGEST) > 0 ? LONGEST : wait));
        return left.isNegative() ? Duration.ZERO : left;
    }

    private static String account(String login) {
        String name = login.strip().toLowerCase(java.util.Locale.ROOT);
        return "account " + Shortened.cut(name, 254);
    }

    private static String source(String address) {
        return "address " + address;
    }
}
