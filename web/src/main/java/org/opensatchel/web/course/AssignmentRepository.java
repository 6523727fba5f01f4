package org.opensatchel.web.course;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface AssignmentRepository extends Repository<Assignment, Long> {

    @Query("select a from Assignment a join fetch a.course where a.id = :id")
    Optional<Assignment> find(long id);

    @Query("select a from Assignment a join fetch a.course c where c.id in :courses order by c.code, a.code")
    List<Assignment> ofCourses(Collection<Long> courses);

    @Query("select a from Assignment a join fetch a.course c where a.id = :id and :account member of c.instructors")
    Optional<Assignment> taughtBy(long id, long account);

    /** Whether somebody may plan, and not only review. */
    @Query(nativeQuery = true, value = "select count(*) > 0 from assignment a join course_instructor i on i.course_id = a.course_id where a.id = :id and i.account_id = :account and i.role in ('OWNER', 'INSTRUCTOR')")
    boolean isPlannedBy(long id, long account);

    /** Until when somebody has more time. */
    @Query(nativeQuery = true, value = "select due_at from extension where assignment_id = :assignment and enrolment_id = :enrolment")
    Optional<Instant> extension(long assignment, long enrolment);

    /** Who has more time for an assignment. */
    @Query(nativeQuery = true, value = "select enrolment_id as enrolmentId, due_at as dueAt from extension where assignment_id = :assignment")
    List<Extension> extensions(long assignment);

    /** What one student was given more time for. */
    @Query(nativeQuery = true, value = "select x.assignment_id as assignmentId, x.due_at as dueAt from extension x join enrolment e on e.id = x.enrolment_id where e.account_id = :account")
    List<OwnExtension> extensionsOf(long account);

    @Modifying
    @Query(nativeQuery = true, value = "insert into extension (assignment_id, enrolment_id, due_at) values (:assignment, :enrolment, :due) on conflict (assignment_id, enrolment_id) do update set due_at = excluded.due_at")
    void extend(long assignment, long enrolment, Instant due);

    @Modifying
    @Query(nativeQuery = true, value = "delete from extension where assignment_id = :assignment and enrolment_id = :enrolment")
    void endExtension(long assignment, long enrolment);

    /** More time for somebody. */
    interface Extension {
        long getEnrolmentId();

        Instant getDueAt();
    }

    /** More time for an assignment. */
    interface OwnExtension {
        long getAssignmentId();

        Instant getDueAt();
    }

    boolean existsByCourseIdAndCode(long courseId, String code);

    Assignment save(Assignment assignment);
}
