package org.opensatchel.web.kit;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** One save of a plan that is not published; it never changes, the next save is the next revision. */
@Entity
class KitDraft {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    private int revision;
    private byte[] document;
    private Instant savedAt;
    private Long savedBy;

    protected KitDraft() {
    }

    KitDraft(long assignmentId, int revision, byte[] document, Instant savedAt, long savedBy) {
        this.assignmentId = assignmentId;
        this.revision = revision;
        this.document = document;
        this.savedAt = savedAt;
        this.savedBy = savedBy;
    }

    int revision() {
        return revision;
    }

    byte[] document() {
        return document;
    }

    Instant savedAt() {
        return savedAt;
    }

    Long savedBy() {
        return savedBy;
    }
}
