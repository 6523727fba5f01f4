package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface EnrolmentRepository extends Repository<Enrolment, Long> {

    Optional<Enrolment> findById(long id);

    List<Enrolment> findByCourseIdOrderByLastNameAscFirstNameAsc(long courseId);

    Optional<Enrolment> findByCourseIdAndAccountId(long courseId, long accountId);

    List<Enrolment> findByAccountId(long accountId);

    Enrolment save(Enrolment enrolment);
}
