package org.opensatchel.web.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;

/** What becomes of a hand-in: it can be graded in spite of what is wrong, or it has to come once more. */
@Entity
class Decision {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long handInId;
    @Enumerated(EnumType.STRING)
    private DecisionView.Kind kind;
    private String reason;
    private Instant dueAt;
    private Instant dueBefore;
    private Long madeBy;
    private Instant madeAt;
    private Long undoneBy;
    private Instant undoneAt;

    protected Decision() {
    }

    Decision(long handInId, DecisionView.Kind kind, String reason, Optional<Instant> due, Optional<Instant> dueBefore, long madeBy,
            Instant madeAt) {
        this.handInId = handInId;
        this.kind = kind;
        this.reason = reason;
        this.dueAt = due.orElse(null);
        this.dueBefore = dueBefore.orElse(null);
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    void undo(long by, Instant at) {
        undoneBy = by;
        undoneAt = at;
    }

    DecisionView view() {
        return new DecisionView(id, handInId, kind, reason, Optional.ofNullable(dueAt), Optional.ofNullable(dueBefore), madeBy, madeAt);
    }
}
