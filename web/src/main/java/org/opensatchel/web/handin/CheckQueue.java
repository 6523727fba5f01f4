package org.opensatchel.web.handin;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.opensatchel.core.report.Summary;
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

    private final HandInRepository handIns;
    private final LinkPages pages;
    private final HandInFiles files;
    private final Judging judging;
    private final Clock clock;
    private final int places;
    private volatile Places told = new Places(Instant.MIN, Map.of());

    CheckQueue(HandInRepository handIns, LinkPages pages, HandInFiles files, Judging judging, CheckSettings settings, Clock clock) {
        this.handIns = handIns;
        this.pages = pages;
        this.files = files;
        this.judging = judging;
        this.clock = clock;
        this.places = settings.places();
    }

    /** A check that is ours to make. */
    record Claim(String token, HandInRepository.Claimed handIn) {}

    /** Takes the next check out of the queue. */
    @Transactional
    public Optional<Claim> claim() {
        handIns.lockQueue();
        Instant now = clock.instant();
        Optional<FairQueue.Waiting> next = new FairQueue(handIns.waiting(now), handIns.running(), places, now).next();
        String token = UUID.randomUUID().toString();
        return next.filter(one -> handIns.claim(one.handIn(), token, now) == 1).flatMap(one -> handIns.claimed(one.handIn()))
                .map(row -> new Claim(token, row));
    }

    /** How many are begun before this one; empty when it does not wait. */
    @Transactional(readOnly = true)
    public Optional<Integer> place(long handIn) {
        Instant now = clock.instant();
        Places known = told;
        if (known.until.isBefore(now)) {
            // A whole class may look at its places at once.
            List<FairQueue.Waiting> order = new FairQueue(handIns.waiting(now), handIns.running(), places, now).order();
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
        return handIns.alive(claim.handIn.getId(), claim.token, clock.instant(), files, bytes) == 1;
    }

    /** Keeps a result, unless somebody else has the check by now; whether it was kept. */
    @Transactional
    public boolean done(Claim claim, WorkResult result) {
        Summary summary = result.summary();
        long id = claim.handIn.getId();
        if (handIns.isOurs(id, claim.token) > 0) {
            handIns.keepPast(id);
        }
        int kept = handIns.done(id, claim.token, clock.instant(), summary.verdict(), summary.must(), summary.should(), summary.note(),
                summary.marks(), summary.seam(), summary.links(), summary.doubts(), result.report(), result.digest());
        if (kept == 1) {
            pages.keep(id, result.pages());
            files.keep(id, result.files());
            judging.catchUp(List.of(id));
        }
        return kept == 1;
    }

    /** Puts a check back that failed: what was our fault as often as it takes, what the project wants too much for once more. */
    @Transactional
    public boolean failed(Claim claim, Reason reason) {
        boolean ours = reason == Reason.STORE;
        int tries = claim.handIn.getTries() + (ours ? 0 : 1);
        int faults = claim.handIn.getFaults() + (ours ? 1 : 0);
        boolean last = ours ? faults >= FAULTS_OF_AN_HOUR : tries >= (reason.isOfSize() ? TRIES_TOO_LARGE : TRIES_BROKE);
        handIns.putBack(claim.handIn.getId(), claim.token, last ? "FAILED" : "WAITING", reason.name(), tries, faults,
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
        handIns.putBack(claim.handIn.getId(), claim.token, "WAITING", null, claim.handIn.getTries(), claim.handIn.getFaults(),
                clock.instant());
    }

    /** Takes checks back whose server or worker gives no sign of life. */
    @Transactional
    public int takeBackLost() {
        Instant now = clock.instant();
        return handIns.takeBackLost(now.minus(LOST), now);
    }

    /** How many checks wait. */
    @Transactional(readOnly = true)
    public long length() {
        return handIns.countWaiting(clock.instant());
    }

    /** How long the check that waits longest has waited. */
    @Transactional(readOnly = true)
    public Duration longestWait() {
        Instant now = clock.instant();
        return handIns.oldestWaiting(now).map(since -> Duration.between(since, now)).orElse(Duration.ZERO);
    }
}
