package org.opensatchel.web.handout;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** That a kit version was fetched for one student, by them or for them alone. */
@Entity
@Table(name = "collection")
class CollectedKit {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long kitVersionId;
    private Long enrolmentId;
    private Instant collectedAt;
    private boolean handedOut;

    protected CollectedKit() {
    }

    /** @param handedOut whether an instructor fetched it for the student */
    CollectedKit(long kitVersionId, long enrolmentId, Instant collectedAt, boolean handedOut) {
        this.handedOut = handedOut;
        this.kitVersionId = kitVersionId;
        this.enrolmentId = enrolmentId;
        this.collectedAt = collectedAt;
    }
}
