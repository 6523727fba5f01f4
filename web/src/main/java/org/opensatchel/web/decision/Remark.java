package org.opensatchel.web.decision;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;

/** What somebody says of a hand-in: a remark, or something to fix that no check found. */
@Entity
class Remark {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long handInId;
    private String severity;
    private String path;
    private String text;
    private Long madeBy;
    private Instant madeAt;
    private Long removedBy;
    private Instant removedAt;

    protected Remark() {
    }

    Remark(long handInId, Optional<String> severity, String path, String text, long madeBy, Instant madeAt) {
        this.handInId = handInId;
        this.severity = severity.orElse(null);
        this.path = path;
        this.text = text;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    long handInId() {
        return handInId;
    }

    void remove(long by, Instant at) {
        removedBy = by;
        removedAt = at;
    }

    RemarkView view() {
        return new RemarkView(id, handInId, Optional.ofNullable(severity), path, text, madeBy, madeAt);
    }
}
