package org.opensatchel.web.storage;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** That somebody has a content in a course, for a purpose. */
@Entity
@Table(name = "stored_content")
class StoredContent {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @JdbcTypeCode(SqlTypes.CHAR)
    @Column(nullable = false, length = 64)
    private String sha256;
    @Column(nullable = false)
    private long bytes;
    @Enumerated(EnumType.STRING)
    @Column(nullable = false, length = 10)
    private Purpose purpose;
    @Column(nullable = false)
    private long courseId;
    @Column(nullable = false)
    private long storedBy;
    @Column(nullable = false)
    private Instant storedAt;
    private Instant expiresAt;

    protected StoredContent() {
    }
}
