package org.opensatchel.web.course;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
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

    boolean existsByCourseIdAndCode(long courseId, String code);

    Assignment save(Assignment assignment);
}
