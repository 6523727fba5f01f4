package org.opensatchel.web.handin;

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

    String COLUMNS = "select " + HandInView.OF_H + " from HandIn h ";

    @Query(COLUMNS + "where h.id = :id")
    Optional<HandInView> view(long id);

    @Query(value = COLUMNS
            + "where h.assignmentId = :assignmentId and h.kind = HAND_IN order by h.receivedAt desc, h.id desc", countQuery = "select count(h) from HandIn h where h.assignmentId = :assignmentId and h.kind = HAND_IN")
    Page<HandInView> ofAssignment(long assignmentId, Pageable page);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId and h.kind = :kind order by h.number desc")
    List<HandInView> ofStudent(long assignmentId, long enrolmentId, HandInKind kind);

    @Query(COLUMNS + "where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId order by h.number desc")
    List<HandInView> allOfStudent(long assignmentId, long enrolmentId);

    /** Of each student who checked before handing in the last time they did. */
    @Query(COLUMNS
            + "where h.assignmentId = :assignmentId and h.kind = PRE_CHECK and h.number = (select max(o.number) from HandIn o where o.assignmentId = h.assignmentId and o.enrolmentId = h.enrolmentId and o.kind = PRE_CHECK)")
    List<HandInView> lastPreChecks(long assignmentId);

    @Query(COLUMNS + "where h.id in :ids")
    List<HandInView> views(Collection<Long> ids);

    @Query("select coalesce(max(h.number), 0) from HandIn h where h.assignmentId = :assignmentId and h.enrolmentId = :enrolmentId and h.kind = :kind")
    int lastNumber(long assignmentId, long enrolmentId, HandInKind kind);

    /** Lets a hand-in count from a time on, or, without one, not at all. */
    @Modifying
    @Query("update HandIn h set h.countsSince = :since where h.id = :id and h.kind = HAND_IN")
    int count(long id, Instant since);

    HandIn save(HandIn handIn);

    /** Of each student the hand-in that counts, in one go; found as {@link CountingHandIns} finds them. */
    @Query("select new org.opensatchel.web.handin.Counted(" + HandInView.OF_H + """
            , h.findingCodes, h.findingCounts, h.points, h.pointsOf, h.partPoints, h.checkedAt, k.version)
            from Assignment a join Enrolment e on e.courseId = a.course.id
            join lateral (
              select o.id as id from HandIn o where o.assignmentId = a.id and o.enrolmentId = e.id and o.countsSince is not null
              order by o.countsSince desc limit 1) l
            join HandIn h on h.id = l.id join KitVersion k on k.id = h.kitVersionId where a.id = :assignment""")
    List<Counted> counted(long assignment);
}
