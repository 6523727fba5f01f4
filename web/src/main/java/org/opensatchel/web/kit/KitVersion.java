package org.opensatchel.web.kit;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A published version of an assignment's kit; it never changes. */
@Entity
class KitVersion {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    private int version;
    private byte[] document;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String sha256;
    private Instant publishedAt;
    private Long publishedBy;

    protected KitVersion() {
    }

    KitVersion(long assignmentId, int version, byte[] document, String sha256, Instant publishedAt, long publishedBy) {
        this.assignmentId = assignmentId;
        this.version = version;
        this.document = document;
        this.sha256 = sha256;
        this.publishedAt = publishedAt;
        this.publishedBy = publishedBy;
    }

    Long id() {
        return id;
    }

    int version() {
        return version;
    }

    byte[] document() {
        return document;
    }

    String sha256() {
        return sha256;
    }

    Instant publishedAt() {
        return publishedAt;
    }
}
