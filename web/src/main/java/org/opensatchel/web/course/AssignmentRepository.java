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

    boolean existsByCourseIdAndCode(long courseId, String code);

    Assignment save(Assignment assignment);
}
