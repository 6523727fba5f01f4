package org.opensatchel.web.handin;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface HandInRepository extends Repository<HandIn, Long> {

    /** The columns of a page; the report itself stays where it is. */
    String COLUMNS = "select new org.opensatchel.web.handin.HandInView(h.id, h.assignmentId, h.enrolmentId, h.number, h.fileName, h.bytes, h.receivedAt, cast(h.state as string), "
            + "h.filesDone, h.bytesDone, h.verdict, h.must, h.should, h.note, h.marks, h.seam, h.links) from HandIn h ";

    Optional<HandIn> findById(long id);

    @Query(COLUMNS + "where h.id = :id")
    Optional<HandInView> view(long id);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId order by h.receivedAt desc, h.id desc")
    List<HandInView> ofAssignment(long assignmentId);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId order by h.number desc")
    List<HandInView> ofStudent(long assignmentId, long enrolmentId);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.number = (select max(o.number) from HandIn o where o.assignmentId = h.assignmentId and o.enrolmentId = h.enrolmentId)")
    List<HandInView> latest(long assignmentId);

    @Query("select coalesce(max(h.number), 0) from HandIn h where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId")
    int lastNumber(long assignmentId, long enrolmentId);

    @Modifying
    @Query("update HandIn h set h.state = org.opensatchel.web.handin.HandIn.State.CHECKING, h.filesDone = :files, h.bytesDone = :bytes where h.id = :id and h.state <> org.opensatchel.web.handin.HandIn.State.DONE")
    void progress(long id, long files, long bytes);

    @Modifying
    @Query("update HandIn h set h.state = org.opensatchel.web.handin.HandIn.State.FAILED where h.id = :id and h.state <> org.opensatchel.web.handin.HandIn.State.DONE")
    void failed(long id);

    /** Waits until nobody else is at this hand-in, and holds it until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7411, cast(:id as integer))")
    int lock(long id);

    /** Waits until no other hand-in of this student is being numbered, and holds that until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from pg_advisory_xact_lock(7412, cast(:enrolmentId as integer))")
    int lockNumbers(long enrolmentId);

    HandIn save(HandIn handIn);
}
