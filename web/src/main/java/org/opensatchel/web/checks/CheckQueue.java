package org.opensatchel.web.checks;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.opensatchel.web.handin.HandInFiles;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.worker.WorkOutcome.Reason;
import org.opensatchel.worker.WorkResult;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The checks that wait and those that go on, as they stand in the database: any number of servers share them. */
@Service
class CheckQueue {

    /** Without a sign of life for so long, whoever was at a check is gone. */
    static final Duration LOST = Duration.ofSeconds(30);
    private static final int TRIES_TOO_LARGE = 2;
    private static final int TRIES_BROKE = 3;
    /** With growing delays up to five minutes so many tries take an hour; then somebody has to be told. */
    private static final int FAULTS_OF_AN_HOUR = 17;
    private static final Duration PLACES_HOLD = Duration.ofSeconds(1);
    private static final Duration FIRST_DELAY = Duration.ofSeconds(5);
    private static final Duration LONGEST_DELAY = Duration.ofMinutes(5);

    private final CheckRows rows;
    private final HandInService handIns;
    private final HandInFiles files;
    private final JudgingService judging;
    private final Clock clock;
    private final int places;
    private volatile Places told = new Places(Instant.MIN, Map.of());

    CheckQueue(CheckRows rows, HandInService handIns, HandInFiles files, JudgingService judging, CheckSettings settings, Clock clock) {
        this.rows = rows;
        this.handIns = handIns;
        this.files = files;
        this.judging = judging;
        this.clock = clock;
        this.places = settings.places();
    }

    /** A check that is ours to make. */
    record Claim(String token, CheckRows.Claimed check) {
        long handIn() {
            return check.cameIn().id();
        }
    }

    /** Takes the next check out of the queue. */
    @Transactional
    public Optional<Claim> claim() {
        rows.lockQueue();
        Instant now = clock.instant();
        Optional<FairQueue.Waiting> next = new FairQueue(rows.waiting(now), rows.running(), places, now).next();
        String token = UUID.randomUUID().toString();
        return next.flatMap(one -> rows.claim(one.handIn(), token, now)).map(check -> new Claim(token, check));
    }

    /** How many are begun before this one; empty when it does not wait. */
    @Transactional(readOnly = true)
    public Optional<Integer> place(long handIn) {
        Instant now = clock.instant();
        Places known = told;
        if (known.until.isBefore(now)) {
            // A whole class may look at its places at once.
            List<FairQueue.Waiting> order = new FairQueue(rows.waiting(now), rows.running(), places, now).order();
            known = new Places(now.plus(PLACES_HOLD),
                    IntStream.range(0, order.size()).boxed().collect(Collectors.toMap(i -> order.get(i).handIn(), i -> i)));
            told = known;
        }
        return Optional.ofNullable(known.byHandIn.get(handIn));
    }

    /** The places of all that wait, for a moment. */
    private record Places(Instant until, Map<Long, Integer> byHandIn) {}

    /** Gives a sign of life; false when somebody else has the check by now. */
    @Transactional
    public boolean alive(Claim claim, long files, long bytes) {
        return rows.alive(claim.handIn(), claim.token, clock.instant(), files, bytes);
    }

    /** Keeps a result, unless somebody else has the check by now; whether it was kept. */
    @Transactional
    public boolean done(Claim claim, WorkResult result) {
        long id = claim.handIn();
        if (rows.isOurs(id, claim.token)) {
            rows.keepPast(id);
        }
        boolean kept = rows.done(id, claim.token, clock.instant(), result);
        if (kept) {
            handIns.keepLinks(id, result.pages());
            files.keep(id, result.files());
            judging.catchUp(List.of(id));
        }
        return kept;
    }

    /** Puts a check back that failed: what was our fault as often as it takes, what the project wants too much for once more. */
    @Transactional
    public boolean failed(Claim claim, Reason reason) {
        boolean ours = reason == Reason.STORE;
        int tries = claim.check.tries() + (ours ? 0 : 1);
        int faults = claim.check.faults() + (ours ? 1 : 0);
        boolean last = ours ? faults >= FAULTS_OF_AN_HOUR : tries >= (reason.isOfSize() ? TRIES_TOO_LARGE : TRIES_BROKE);
        rows.putBack(new CheckRows.Claimed(claim.check.cameIn(), tries, faults), claim.token, last, reason.name(),
                clock.instant().plus(ours ? delay(faults) : Duration.ZERO));
        return last;
    }

    private static Duration delay(int faults) {
        Duration delay = FIRST_DELAY.multipliedBy(1L << Math.min(10, faults - 1));
        return delay.compareTo(LONGEST_DELAY) > 0 ? LONGEST_DELAY : delay;
    }

    /** Puts a check back that is not to be ended here, as if it had not been begun. */
    @Transactional
    public void release(Claim claim) {
        rows.putBack(claim.check, claim.token, false, null, clock.instant());
    }

    /** Takes checks back whose server or worker gives no sign of life. */
    @Transactional
    public int takeBackLost() {
        Instant now = clock.instant();
        return rows.takeBackLost(now.minus(LOST), now, LONGEST_DELAY);
    }

    /** How many checks wait. */
    @Transactional(readOnly = true)
    public long length() {
        return rows.countWaiting(clock.instant());
    }

    /** How long the check that waits longest has waited. */
    @Transactional(readOnly = true)
    public Duration longestWait() {
        Instant now = clock.instant();
        return rows.oldestWaiting(now).map(since -> Duration.between(since, now)).orElse(Duration.ZERO);
    }
}
