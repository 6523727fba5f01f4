package org.opensatchel.web.handin;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface HandInRepository extends Repository<HandIn, Long> {

    /** Which kit the next check is made by. */
    String NEXT_KIT = "next_kit_version_id = case when :newest then (select k.id from kit_version k where k.assignment_id = hand_in.assignment_id order by k.version desc limit 1) end";

    /** What pages show of a hand-in; the report itself stays where it is. */
    String VIEW = "new org.opensatchel.web.handin.HandInView(h.id, cast(h.kind as string), cast(h.form as string), h.countsSince, h.assignmentId, h.enrolmentId, h.number, h.fileName, h.bytes, h.receivedAt, cast(h.state as string), "
            + "h.filesDone, h.bytesDone, h.verdict, h.must, h.should, h.note, h.marks, h.seam, h.links, h.doubts, h.failure, h.notBefore)";
    String COLUMNS = "select " + VIEW + " from HandIn h ";

    Optional<HandIn> findById(long id);

    @Query(COLUMNS + "where h.id = :id")
    Optional<HandInView> view(long id);

    @Query(value = COLUMNS
            + "where h.assignmentId = :assignmentId and h.kind = HAND_IN order by h.receivedAt desc, h.id desc", countQuery = "select count(h) from HandIn h where h.assignmentId = :assignmentId and h.kind = HAND_IN")
    Page<HandInView> ofAssignment(long assignmentId, Pageable page);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId and h.kind = :kind order by h.number desc")
    List<HandInView> ofStudent(long assignmentId, long enrolmentId, HandIn.Kind kind);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId order by h.number desc")
    List<HandInView> allOfStudent(long assignmentId, long enrolmentId);

    /** Of each student who checked before handing in the last time they did. */
    @Query(COLUMNS
            + "where h.assignmentId = :assignmentId and h.kind = PRE_CHECK and h.number = (select max(o.number) from HandIn o where o.assignmentId = h.assignmentId and o.enrolmentId = h.enrolmentId and o.kind = PRE_CHECK)")
    List<HandInView> lastPreChecks(long assignmentId);

    /** Of each student the one that counts, found by one step in an index for each, however many were handed in. */
    String LAST = "with last as (select l.id, e.id as enrolment_id from assignment a join enrolment e on e.course_id = a.course_id cross join lateral "
            + "(select h.id from hand_in h where h.assignment_id = a.id and h.enrolment_id = e.id and h.counts_since is not null order by h.counts_since desc limit 1) l "
            + "where a.id = :assignment)";

    @Query(nativeQuery = true, value = LAST + " select id from last")
    List<Long> lastOnes(long assignment);

    @Query(COLUMNS + "where h.id in :ids")
    List<HandInView> views(Collection<Long> ids);

    /** Of each student the one that counts. */
    default List<HandInView> counting(long assignment) {
        List<Long> ids = lastOnes(assignment);
        return ids.isEmpty() ? List.of() : views(ids);
    }

    @Query("select coalesce(max(h.number), 0) from HandIn h where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId and h.kind = :kind")
    int lastNumber(long assignmentId, long enrolmentId, HandIn.Kind kind);

    /** Lets a hand-in count from a time on, or, without one, not at all. */
    @Modifying
    @Query("update HandIn h set h.countsSince = :since where h.id = :id and h.kind = HAND_IN")
    int count(long id, Instant since);

    /** Waits until no other server takes a check out of the queue, and holds that until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7413)")
    int lockQueue();

    @Query("select new org.opensatchel.web.handin.FairQueue$Waiting(h.id, a.course.id, e.accountId, h.queuedAt, h.weight) from HandIn h, Assignment a, Enrolment e "
            + "where a.id = h.assignmentId and e.id = h.enrolmentId and h.state = org.opensatchel.web.handin.HandIn.State.WAITING and h.notBefore <= :now order by h.queuedAt limit 5000")
    List<FairQueue.Waiting> waiting(Instant now);

    @Query("select new org.opensatchel.web.handin.FairQueue$Running(a.course.id, e.accountId, h.weight) from HandIn h, Assignment a, Enrolment e "
            + "where a.id = h.assignmentId and e.id = h.enrolmentId and h.state = org.opensatchel.web.handin.HandIn.State.CHECKING")
    List<FairQueue.Running> running();

    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = 'CHECKING', claimed_by = :claim, heartbeat = :now, files_done = 0, bytes_done = 0 where id = :id and state = 'WAITING'")
    int claim(long id, String claim, Instant now);

    @Query(nativeQuery = true, value = "select id, assignment_id as assignmentId, enrolment_id as enrolmentId, sha256, form, coalesce(next_kit_version_id, kit_version_id) as kitVersionId, tries, faults from hand_in where id = :id")
    Optional<Claimed> claimed(long id);

    /** When it was checked at last. */
    @Query("select h.checkedAt from HandIn h where h.id = :id")
    Instant checkedAt(long id);

    /** What is needed to check a hand-in. */
    interface Claimed {
        long getId();

        long getAssignmentId();

        long getEnrolmentId();

        String getSha256();

        String getForm();

        long getKitVersionId();

        int getTries();

        int getFaults();
    }

    /** 1 while a check is still that of who claimed it; its row stays theirs until the transaction ends. */
    @Query(nativeQuery = true, value = "select count(*) from (select 1 from hand_in where id = :id and claimed_by = :claim and state = 'CHECKING' for update) as ours")
    int isOurs(long id, String claim);

    /** A sign of life of whoever checks it; 0 when it is no longer theirs. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set heartbeat = :now, files_done = :files, bytes_done = :bytes where id = :id and claimed_by = :claim and state = 'CHECKING'")
    int alive(long id, String claim, Instant now, long files, long bytes);

    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = 'DONE', claimed_by = null, failure = null, checked_at = :now, verdict = :verdict, must = :must, should = :should, note = :note, marks = :marks, "
            + "kit_version_id = coalesce(next_kit_version_id, kit_version_id), next_kit_version_id = null, seam = :seam, links = :links, doubts = :doubts, judged = false, report = :report, digest = :digest where id = :id and claimed_by = :claim and state = 'CHECKING'")
    int done(long id, String claim, Instant now, String verdict, int must, int should, int note, String marks, String seam, int links,
            int doubts,
            byte[] report, byte[] digest);

    /** What of these is checked and was not judged since something changed. */
    @Query(nativeQuery = true, value = "select id, assignment_id as assignmentId, enrolment_id as enrolmentId, kit_version_id as kitVersionId, kind, received_at as receivedAt, digest from hand_in "
            + "where id in (:ids) and state = 'DONE' and not judged and digest is not null order by id for update")
    List<Unjudged> unjudged(Collection<Long> ids);

    /** Of each student the one that counts, if it is checked. */
    @Query(nativeQuery = true, value = LAST
            + " select h.id, h.assignment_id as assignmentId, h.enrolment_id as enrolmentId, h.kit_version_id as kitVersionId, h.kind, h.received_at as receivedAt, h.digest from last join hand_in h on h.id = last.id "
            + "where h.state = 'DONE' and h.digest is not null order by h.id")
    List<Unjudged> countingDigests(long assignment);

    /** What is needed to judge a hand-in. */
    interface Unjudged {
        long getId();

        long getAssignmentId();

        long getEnrolmentId();

        long getKitVersionId();

        String getKind();

        Instant getReceivedAt();

        byte[] getDigest();
    }

    /** Has the hand-ins of an assignment judged again, all of them or those of one student, or one. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set judged = false where assignment_id = :assignment and (:enrolment = 0 or enrolment_id = :enrolment) "
            + "and (:handIn = 0 or id = :handIn) and judged")
    void judgeAgain(long assignment, long enrolment, long handIn);

    /** The one that counts of each student, and the first one, where it was not judged since something changed. */
    @Query(nativeQuery = true, value = "select h.id from hand_in h where h.assignment_id = :assignment and h.state = 'DONE' and not h.judged and h.digest is not null and (h.number = 1 or h.counts_since = "
            + "(select max(o.counts_since) from hand_in o where o.assignment_id = h.assignment_id and o.enrolment_id = h.enrolment_id))")
    List<Long> countingUnjudged(long assignment);

    /** What is needed to judge some hand-ins, whatever was judged of them before; one from before there were digests has none. */
    @Query(nativeQuery = true, value = "select id, assignment_id as assignmentId, enrolment_id as enrolmentId, kit_version_id as kitVersionId, kind, received_at as receivedAt, digest from hand_in where id in (:ids)")
    List<Unjudged> toJudge(Collection<Long> ids);

    /** Of each student the hand-in that counts, with what the board counts of it, in one go; found as {@link #LAST} finds them. */
    @Query("select new org.opensatchel.web.handin.HandInRepository$Counted(" + VIEW
            + ", h.codes, h.points, h.pointsOf, h.pointsParts, h.checkedAt, k.version) from Assignment a join Enrolment e on e.courseId = a.course.id "
            + "join lateral (select o.id as id from HandIn o where o.assignmentId = a.id and o.enrolmentId = e.id and o.countsSince is not null order by o.countsSince desc limit 1) l "
            + "join HandIn h on h.id = l.id join KitVersion k on k.id = h.kitVersionId where a.id = :assignment")
    List<Counted> counted(long assignment);

    /** What is kept of a hand-in for the board, beside what every page shows of it; {@link Tally} is made of it. */
    record Counted(HandInView handIn, String codes, BigDecimal points, Integer pointsOf, String pointsParts, Instant checkedAt,
            int kitVersion) {}

    /** The findings of each student's hand-in that counts, and of the first one, by what they have in common; notes and what was waived left out. */
    @Query(nativeQuery = true, value = LAST + ", "
            + "first as (select distinct on (enrolment_id) id, enrolment_id from hand_in where assignment_id = :assignment and kind = 'HAND_IN' and judged order by enrolment_id, number) "
            + "select l.enrolment_id as enrolmentId, true as counts, f.theme, f.code, f.severity, min(f.subject) as subject, count(*) as findings from last l join hand_in_finding f on f.hand_in_id = l.id "
            + "where f.severity in ('must', 'should') group by l.enrolment_id, f.theme, f.code, f.severity "
            + "union all select l.enrolment_id, false, f.theme, f.code, f.severity, '', count(*) from first l join hand_in_finding f on f.hand_in_id = l.id "
            + "where f.severity in ('must', 'should') and l.id not in (select id from last) group by l.enrolment_id, f.theme, f.code, f.severity")
    List<Themed> themes(long assignment);

    /** What a student does wrong in one way. */
    interface Themed {
        long getEnrolmentId();

        boolean getCounts();

        String getTheme();

        String getCode();

        String getSeverity();

        String getSubject();

        long getFindings();
    }

    /** Names of files that several students' hand-ins miss in the same way. */
    @Query(nativeQuery = true, value = LAST + " "
            + "select f.theme, f.subject, count(distinct l.enrolment_id) as students from last l join hand_in_finding f on f.hand_in_id = l.id where f.subject <> '' and f.severity in ('must', 'should') "
            + "group by f.theme, f.subject having count(distinct l.enrolment_id) > 1 order by 3 desc, 2 limit 200")
    List<Shared> shared(long assignment);

    /** A file that several miss. */
    interface Shared {
        String getTheme();

        String getSubject();

        long getStudents();
    }

    /** Keeps the report that is about to be made again. */
    @Modifying
    @Query(nativeQuery = true, value = "insert into past_report (hand_in_id, kit_version_id, checked_at, verdict, must, should, note, report) "
            + "select id, kit_version_id, checked_at, verdict, must, should, note, report from hand_in where id = :id and report is not null and checked_at is not null and verdict is not null")
    void keepPast(long id);

    @Query(nativeQuery = true, value = "select content from hand_in_links where hand_in_id = :id and page = :page")
    List<byte[]> linksOf(long id, int page);

    @Query(nativeQuery = true, value = "select count(*) from hand_in_index where hand_in_id = :id")
    int indexPages(long id);

    @Query(nativeQuery = true, value = "select content from hand_in_index where hand_in_id = :id and page = :page")
    List<byte[]> indexPage(long id, int page);

    @Query(nativeQuery = true, value = "select report from hand_in where id = :id and report is not null")
    List<byte[]> reportOf(long id);

    @Query(nativeQuery = true, value = "select digest from hand_in where id = :id and digest is not null")
    List<byte[]> digestOf(long id);

    // As a list, since the framework would turn a single array of bytes into another one byte by byte, which takes longer than all the rest of a page.

    default Optional<byte[]> links(long id, int page) {
        return linksOf(id, page).stream().findFirst();
    }

    default Optional<byte[]> report(long id) {
        return reportOf(id).stream().findFirst();
    }

    default Optional<byte[]> digest(long id) {
        return digestOf(id).stream().findFirst();
    }

    /** The digests of the student's checked hand-ins before this one, or of all before a pre-check, the newest first. */
    @Query(nativeQuery = true, value = "select e.digest from hand_in e join hand_in h on h.assignment_id = e.assignment_id and h.enrolment_id = e.enrolment_id "
            + "where h.id = :id and e.kind = 'HAND_IN' and (h.kind = 'PRE_CHECK' or e.number < h.number) and e.state = 'DONE' and e.digest is not null order by e.number desc limit 5")
    List<byte[]> digestsBefore(long id);

    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set digest = :digest where id = :id and digest is null")
    void keepDigest(long id, byte[] digest);

    /** Puts a check back, to be tried again or given up. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = :state, claimed_by = null, failure = :failure, tries = :tries, faults = :faults, not_before = :notBefore where id = :id and claimed_by = :claim and state = 'CHECKING'")
    int putBack(long id, String claim, String state, String failure, int tries, int faults, Instant notBefore);

    /** Checks whose server is gone wait again, each time a little longer; that is no fault of the project. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = 'WAITING', failure = null, faults = faults + 1, claimed_by = null, "
            + "not_before = cast(:now as timestamp with time zone) + least(300, power(2, least(faults, 8))) * interval '1 second' where state = 'CHECKING' and (heartbeat is null or heartbeat < :before)")
    int takeBackLost(Instant before, Instant now);

    /** Lets a check that ended be made again, from the beginning; by the newest kit, or by the one it was made by. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = 'WAITING', failure = null, tries = 0, faults = 0, queued_at = :now, not_before = :now, "
            + NEXT_KIT
            + " where id = :id and state in ('DONE', 'FAILED')")
    int again(long id, Instant now, boolean newest);

    /** The same for the hand-ins of some students that count. */
    @Modifying
    @Query(nativeQuery = true, value = "update hand_in set state = 'WAITING', failure = null, tries = 0, faults = 0, queued_at = :now, not_before = :now, "
            + NEXT_KIT
            + " where hand_in.assignment_id = :assignment and hand_in.enrolment_id in (:enrolments) and hand_in.state in ('DONE', 'FAILED') and hand_in.counts_since = "
            + "(select max(o.counts_since) from hand_in o where o.assignment_id = hand_in.assignment_id and o.enrolment_id = hand_in.enrolment_id)")
    int countingAgain(long assignment, Collection<Long> enrolments, Instant now, boolean newest);

    @Query("select count(h) from HandIn h where h.state = org.opensatchel.web.handin.HandIn.State.WAITING and h.notBefore <= :now")
    long countWaiting(Instant now);

    /** When the check that waits longest was to begin. */
    @Query("select min(h.queuedAt) from HandIn h where h.state = org.opensatchel.web.handin.HandIn.State.WAITING and h.notBefore <= :now")
    Optional<Instant> oldestWaiting(Instant now);

    /** Waits until no other hand-in of this student is being numbered, and holds that until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7412, cast(:enrolmentId as integer))")
    int lockNumbers(long enrolmentId);

    /** What a student's hand-ins take up: a content that is in several of them is there once. Counted as they come and go. */
    @Query(nativeQuery = true, value = "select coalesce((select bytes from held_bytes where enrolment_id = :enrolment), 0)")
    long bytesOfStudent(long enrolment);

    /** The same for a course: each of its students has what they have. */
    @Query(nativeQuery = true, value = "select coalesce(sum(b.bytes), 0) from enrolment e join held_bytes b on b.enrolment_id = e.id where e.course_id = :course")
    long bytesOfCourse(long course);

    /** Says which contents a folder consists of. */
    @Modifying
    @Query(nativeQuery = true, value = "insert into hand_in_file (hand_in_id, enrolment_id, sha256, bytes) select :id, (select enrolment_id from hand_in where id = :id), s, b from unnest(cast(:sha256 as text[]), cast(:bytes as bigint[])) as t(s, b)")
    void consists(long id, String[] sha256, Long[] bytes);

    /** The contents that a folder consists of. */
    @Query(nativeQuery = true, value = "select sha256 from hand_in_file where hand_in_id = :id")
    List<String> files(long id);

    /** Lets go of a student's oldest hand-ins to an assignment, or pre-checks; the one that counts stays. */
    @Modifying
    @Query(nativeQuery = true, value = "delete from hand_in h where assignment_id = :assignment and enrolment_id = :enrolment and kind = :kind and number <= :last - :kept and state <> 'CHECKING' "
            + "and counts_since is distinct from (select max(o.counts_since) from hand_in o where o.assignment_id = h.assignment_id and o.enrolment_id = h.enrolment_id and h.counts_since is not null)")
    int removeOldest(long assignment, long enrolment, String kind, int last, int kept);

    HandIn save(HandIn handIn);
}
