package org.opensatchel.web.handout;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** That a student says they did a step of the kit. */
@Entity
class StepConfirmation {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    private Long enrolmentId;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String step;
    private Instant confirmedAt;

    protected StepConfirmation() {
    }

    String step() {
        return step;
    }

    Instant confirmedAt() {
        return confirmedAt;
    }
}
