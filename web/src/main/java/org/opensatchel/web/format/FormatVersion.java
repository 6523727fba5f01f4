package org.opensatchel.web.format;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One version of a format's description; it never changes. */
@Entity
@Table(name = "document_format_version")
class FormatVersion {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long formatId;
    private int version;
    private byte[] document;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String sha256;
    private Instant keptAt;
    private Long keptBy;

    protected FormatVersion() {
    }

    FormatVersion(long formatId, int version, byte[] document, String sha256, Instant keptAt, long keptBy) {
        this.formatId = formatId;
        this.version = version;
        this.document = document;
        this.sha256 = sha256;
        this.keptAt = keptAt;
        this.keptBy = keptBy;
    }

    long formatId() {
        return formatId;
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

    Instant keptAt() {
        return keptAt;
    }

    long keptBy() {
        return keptBy;
    }
}
