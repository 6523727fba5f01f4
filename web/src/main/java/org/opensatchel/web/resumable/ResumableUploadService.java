package org.opensatchel.web.resumable;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInQuota;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.resumable.ListReading.Refused;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.Locks;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.PartialContent;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.opensatchel.web.storage.PartialContents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.HandInReceiver;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Projects on their way: a list of the files with their hashes comes first; of their contents only those are sent that the student has
 * not sent before or got with the kit; and when all are here and are what the list says, the project is handed in, as a whole.
 */
@Service
public class ResumableUploadService {

    /** What nobody goes on with is forgotten. */
    private static final Duration KEPT = Duration.ofDays(7);
    private static final Duration JUST_BEGUN = Duration.ofHours(1);
    private static final int LONGEST_NAME = 300;

    private final ResumableUploadRepository sendings;
    private final Locks locks;
    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final HandInReceiver receiver;
    private final HandInQuota quota;
    private final ListReading lists;
    private final Contents contents;
    private final PartialContents arrivals;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final SecureRandom random = new SecureRandom();

    ResumableUploadService(ResumableUploadRepository sendings, Locks locks, CourseService courses, KitService kits, HandoutService handouts,
            HandInReceiver receiver,
            HandInQuota quota, ListReading lists, Contents contents, PartialContents arrivals, Clock clock,
            PlatformTransactionManager transactions) {
        this.sendings = sendings;
        this.locks = locks;
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.receiver = receiver;
        this.quota = quota;
        this.lists = lists;
        this.contents = contents;
        this.arrivals = arrivals;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Somebody else's request works on the same sending. */
    static final class Busy extends IOException {
        private static final long serialVersionUID = 1L;
    }

    /**
     * What has to come.
     *
     * @param token the sending's name
     * @param send the hashes of the contents that are not here, in the order in which they have to come
     * @param offset how many bytes of them are here
     * @param length how many bytes they are together
     */
    record OpenUpload(String token, List<String> send, long offset, long length) {}

    /** What a student is sending, and its assignment. */
    record Own(ResumableUpload sending, Membership place) {}

    /**
     * Begins, or goes on with what the student was sending for this assignment: what came of it is not asked for again.
     *
     * @param packed whether the list comes compressed
     * @throws Refused why it cannot be taken
     */
    OpenUpload begin(Membership place, ResumableUpload.Form form, String name, InputStream list, boolean packed) throws IOException {
        refuseWhenClosed(place);
        return lists.reading(lists.take(list, packed), listed -> begin(place, form, name, listed));
    }

    private OpenUpload begin(Membership place, ResumableUpload.Form form, String name, Listed listed) throws IOException {
        if (form == ResumableUpload.Form.ZIP && (listed.files() != 1 || listed.contents().size() != 1)) {
            throw new Refused(Speech.say("hand-in.zip"));
        }
        String token = transaction.execute(status -> {
            locks.hold(Locks.What.SENDING, place.student().enrolmentId());
            return going(place).orElseGet(() -> fresh(place)).token();
        });
        try (PartialContent arrival = hold(token)) {
            keepWhatCame(arrival, place);
            List<Wanted> wanted = wanted(place, listed);
            long bytes = wanted.stream().mapToLong(Wanted::bytes).sum();
            refuseWithoutRoom(place, bytes);
            List<Wanted> order = arrival.want(wanted);
            contents.own(listed.list(), Purpose.SENDING, place.assignment().courseId(), place.student().accountId());
            Set<String> coming = order.stream().map(Wanted::sha256).collect(Collectors.toSet());
            // What is here already has to stay until this is finished.
            contents.ownAll(listed.contents().stream().filter(one -> !coming.contains(one.sha256())).toList(), Purpose.SENDING,
                    place.assignment().courseId(), place.student().accountId());
            transaction.executeWithoutResult(status -> {
                ResumableUpload sending = going(place).orElseThrow(NotAccessible::new);
                sending.list(form, cut(name), listed, bytes, clock.instant());
                sendings.save(sending);
            });
            return new OpenUpload(token, order.stream().map(Wanted::sha256).toList(), arrival.offset(), arrival.length());
        }
    }

    private Optional<ResumableUpload> going(Membership place) {
        return sendings.going(place.assignment().id(), place.student().enrolmentId());
    }

    private ResumableUpload fresh(Membership place) {
        byte[] token = new byte[16];
        random.nextBytes(token);
        ResumableUpload sending = new ResumableUpload(HexFormat.of().formatHex(token), place.assignment().id(),
                place.student().enrolmentId());
        sending.list(ResumableUpload.Form.FOLDER, "", new Listed(new Stored("0".repeat(64), 0), List.of(), 0, 0), 0, clock.instant());
        return sendings.save(sending);
    }

    private static String cut(String name) {
        String clean = name.replace("\0", "").replace('\\', '/');
        String last = clean.substring(clean.lastIndexOf('/') + 1);
        return last.codePointCount(0, last.length()) <= LONGEST_NAME ? last : last.substring(0, last.offsetByCodePoints(0, LONGEST_NAME));
    }

    private void refuseWhenClosed(Membership place) throws Refused {
        Optional<String> closed = quota.closed(place);
        if (closed.isPresent()) {
            throw new Refused(closed.get());
        }
    }

    private void refuseWithoutRoom(Membership place, long bytes) throws Refused {
        long elsewhere = sendings.wantedElsewhere(place.student().enrolmentId(), place.assignment().id());
        Optional<String> refusal = quota.refusal(place, bytes > Long.MAX_VALUE - elsewhere ? bytes : bytes + elsewhere);
        if (refusal.isPresent()) {
            throw new Refused(refusal.get());
        }
    }

    private PartialContent hold(String token) throws IOException {
        return arrivals.hold(token).orElseThrow(Busy::new);
    }

    /** What came and is what it should be is the student's from now on, whatever becomes of the rest. */
    private void keepWhatCame(PartialContent arrival, Membership place) throws IOException {
        List<Wanted> good = arrival.good().stream().filter(contents::has).toList();
        contents.ownAll(good, Purpose.SENDING, place.assignment().courseId(), place.student().accountId());
    }

    /** What of a list is not here: neither sent by this student in this course, nor among what came with their kit. */
    private List<Wanted> wanted(Membership place, Listed listed) {
        Map<String, Long> starters = starters(place);
        Set<String> had = new HashSet<>(contents.had(listed.contents(), place.assignment().courseId(), place.student().accountId()));
        List<Wanted> out = new ArrayList<>();
        for (Wanted one : listed.contents()) {
            boolean given = starters.getOrDefault(one.sha256(), -1L) == one.bytes() && contents.has(one);
            boolean here = given || had.contains(one.sha256()) && contents.has(one);
            if (!here) {
                out.add(one);
            }
        }
        return out;
    }

    /** The starter files of the kits that the student can have: the current one, and the one they hold. */
    private Map<String, Long> starters(Membership place) {
        List<PublishedKit> given = new ArrayList<>();
        kits.current(place.assignment()).ifPresent(given::add);
        HandoutService.Held held = handouts.held(place).orElse(null);
        if (held != null) {
            given.add(kits.version(held.kitVersionId()));
        }
        Map<String, Long> out = new HashMap<>();
        given.stream().flatMap(kit -> kit.kit().starter().stream()).forEach(file -> out.put(file.sha256(), file.bytes()));
        return out;
    }

    /** A sending by its name, for whom it belongs to; for anybody else it does not exist. */
    Own own(String token, long account) {
        ResumableUpload sending = sendings.own(token, account).orElseThrow(NotAccessible::new);
        return new Own(sending, courses.forStudent(sending.assignmentId(), account));
    }

    /** What a student is sending for an assignment, so that a page can say that it goes on. */
    Optional<ResumableUpload> unfinished(Membership place) {
        return going(place).filter(sending -> sending.files() > 0);
    }

    /** How far a sending is. */
    record Stand(long offset, long length) {}

    Stand stand(Own own) throws IOException {
        try (PartialContent arrival = hold(own.sending().token())) {
            return new Stand(arrival.offset(), arrival.length());
        }
    }

    /** The answer to a part: where the stream stands, or that it stands elsewhere than the part begins. */
    record PartTaken(Stand stand, boolean isElsewhere) {}

    /**
     * Takes the next part.
     *
     * @param at where in the stream it begins
     */
    PartTaken take(Own own, long at, long declared, InputStream part) throws IOException {
        try (PartialContent arrival = hold(own.sending().token())) {
            long length = arrival.length();
            if (arrival.offset() != at || declared > length - at) {
                return new PartTaken(new Stand(arrival.offset(), length), true);
            }
            if (quota.room() < Math.max(declared, 0)) {
                throw new NoRoom("no room for a part of " + declared + " bytes", null);
            }
            int before = arrival.count();
            long now = arrival.take(part);
            // Kept as it comes: what takes days to send is not collected before its end.
            contents.ownAll(arrival.good(before), Purpose.SENDING, own.place().assignment().courseId(), own.place().student().accountId());
            transaction.executeWithoutResult(status -> sendings.touch(own.sending().token(), clock.instant()));
            return new PartTaken(new Stand(now, length), false);
        }
    }

    /**
     * What came of finishing: the hand-in, or what has to be sent again.
     *
     * @param handIn the hand-in; 0 while something is missing
     * @param differ the hashes of what came as something else
     */
    record Finished(long handIn, List<String> differ) {}

    /** Hands in what was sent, when all of it is here and is what the list says; asked once more, the answer is the same. */
    Finished finish(Own own) throws IOException {
        if (own.sending().isFinished()) {
            return new Finished(Optional.ofNullable(own.sending().handInId()).orElseThrow(NotAccessible::new), List.of());
        }
        Membership place = own.place();
        try (PartialContent arrival = hold(own.sending().token())) {
            keepWhatCame(arrival, place);
            ResumableUpload sending = own(own.sending().token(), place.student().accountId()).sending();
            if (sending.isFinished()) {
                return new Finished(Optional.ofNullable(sending.handInId()).orElseThrow(NotAccessible::new), List.of());
            }
            Finished finished = lists.reading(stored(sending), listed -> finish(sending, place, listed, arrival));
            if (finished.handIn() > 0) {
                arrival.drop();
            }
            return finished;
        }
    }

    private Stored stored(ResumableUpload sending) throws IOException {
        try (LocalFile list = contents.local(sending.listSha256())) {
            return new Stored(sending.listSha256(), Files.size(list.path()));
        }
    }

    private Finished finish(ResumableUpload sending, Membership place, Listed listed, PartialContent arrival) throws IOException {
        if (!wanted(place, listed).isEmpty()) {
            return new Finished(0, arrival.differing().stream().map(Wanted::sha256).toList());
        }
        contents.settle();
        HandInReceiver.Arrived arrived = arrived(sending, listed);
        long handIn = transaction.execute(status -> {
            long made = receiver.take(place, arrived);
            sending.finish(made);
            sendings.save(sending);
            return made;
        });
        return new Finished(handIn, List.of());
    }

    private HandInReceiver.Arrived arrived(ResumableUpload sending, Listed listed) {
        if (sending.form() == ResumableUpload.Form.FOLDER) {
            return receiver.folder(sending.name(), listed.list(), listed.contents(), listed.files(), listed.bytes(), sending.listedAt());
        }
        Wanted archive = listed.contents().get(0);
        return receiver.archive(sending.name(), new Stored(archive.sha256(), archive.bytes()), sending.listedAt());
    }

    /** Gives up: nothing of it is handed in, and what came of it goes after a while. */
    void cancel(Own own) throws IOException {
        if (own.sending().isFinished()) {
            throw new NotAccessible();
        }
        try (PartialContent arrival = hold(own.sending().token())) {
            arrival.drop();
            transaction.executeWithoutResult(status -> sendings.delete(own.sending().id()));
        }
        arrivals.remove(own.sending().token());
    }

    /** Forgets what nobody went on with. */
    public void prune() throws IOException {
        transaction.executeWithoutResult(status -> sendings.deleteOld(clock.instant().minus(KEPT)));
        Set<String> known = new HashSet<>(sendings.tokens());
        // What began a moment ago may not be among those that are known.
        arrivals.removeOthers(known::contains, clock.instant().minus(JUST_BEGUN));
    }
}
