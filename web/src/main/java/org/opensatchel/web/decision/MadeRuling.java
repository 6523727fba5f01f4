package org.opensatchel.web.decision;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.opensatchel.core.judging.Ruling;

/** A ruling as somebody made it, and perhaps took it back. */
@Entity
@Table(name = "ruling")
class MadeRuling {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    @Enumerated(EnumType.STRING)
    private Ruling.Scope scope;
    private Long enrolmentId;
    private Long handInId;
    private String code;
    @JdbcTypeCode(SqlTypes.ARRAY)
    @Column(name = "keys", columnDefinition = "text[]")
    private String[] keys;
    private String severity;
    private String reason;
    private Long madeBy;
    private Instant madeAt;
    private Long undoneBy;
    private Instant undoneAt;

    protected MadeRuling() {
    }

    MadeRuling(Subject subject, Ruling.Scope scope, String code, List<String> keys, Optional<String> severity, String reason, long madeBy,
            Instant madeAt) {
        this.assignmentId = subject.assignment();
        this.scope = scope;
        this.enrolmentId = scope == Ruling.Scope.ASSIGNMENT ? null : subject.enrolment();
        this.handInId = scope == Ruling.Scope.HAND_IN ? subject.handIn() : null;
        this.code = code;
        this.keys = keys.toArray(String[]::new);
        this.severity = severity.orElse(null);
        this.reason = reason;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    Long id() {
        return id;
    }

    long assignmentId() {
        return assignmentId;
    }

    boolean isUndone() {
        return undoneAt != null;
    }

    void undo(long by, Instant at) {
        undoneBy = by;
        undoneAt = at;
    }

    boolean isAbout(Subject subject) {
        return switch (scope) {
            case ASSIGNMENT -> assignmentId == subject.assignment();
            case STUDENT -> enrolmentId == subject.enrolment();
            case HAND_IN -> handInId == subject.handIn();
        };
    }

    Ruling ruling() {
        return new Ruling(id, scope, code, Set.of(keys), Optional.ofNullable(severity), reason);
    }
}
