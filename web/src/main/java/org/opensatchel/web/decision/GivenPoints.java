package org.opensatchel.web.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.math.BigDecimal;
import java.time.Instant;

/** Points that somebody gave by hand instead of what was counted, and why. */
@Entity
class GivenPoints {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long handInId;
    private BigDecimal points;
    private String reason;
    private Long madeBy;
    private Instant madeAt;
    private Long undoneBy;
    private Instant undoneAt;

    protected GivenPoints() {
    }

    GivenPoints(long handInId, BigDecimal points, String reason, long madeBy, Instant madeAt) {
        this.handInId = handInId;
        this.points = points;
        this.reason = reason;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    void undo(long by, Instant at) {
        undoneBy = by;
        undoneAt = at;
    }

    GivenView view() {
        return new GivenView(id, handInId, points, reason, madeBy, madeAt);
    }
}
