package org.opensatchel.web.handout;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface StepConfirmationRepository extends Repository<StepConfirmation, Long> {

    @Query("select s from StepConfirmation s where s.assignmentId = :assignment and s.enrolmentId = :enrolment")
    List<StepConfirmation> of(long assignment, long enrolment);

    @Modifying
    @Query("delete from StepConfirmation s where s.assignmentId = :assignment and s.enrolmentId = :enrolment and s.step = :step")
    void takeBack(long assignment, long enrolment, String step);
}
