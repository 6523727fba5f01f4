package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CourseRepository extends Repository<Course, Long> {

    Optional<Course> findById(long id);

    @Query("select c from Course c where :account member of c.instructors order by c.code")
    List<Course> taughtBy(long account);

    @Query("select c from Course c where c.id in (select e.courseId from Enrolment e where e.accountId = :account and e.leftAt is null) order by c.code, c.title")
    List<Course> attendedBy(long account);

    boolean existsByCode(String code);

    Course saveAndFlush(Course course);
}
