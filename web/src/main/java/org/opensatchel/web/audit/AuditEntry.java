package org.opensatchel.web.audit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** One line of the log. Lines are added, and never changed. */
@Entity
@Table(name = "audit")
class AuditEntry {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Instant at;
    private Long accountId;
    private Long assignmentId;
    private Long enrolmentId;
    private Long handInId;
    @Enumerated(EnumType.STRING)
    private AuditAction what;
    private String detail;
    private String facts;

    protected AuditEntry() {
    }

    AuditEntry(Instant at, long accountId, AuditService.About about, AuditAction what, Detail detail) {
        this.at = at;
        this.accountId = accountId;
        this.assignmentId = about.assignment();
        this.enrolmentId = about.enrolment() == 0 ? null : about.enrolment();
        this.handInId = about.handIn() == 0 ? null : about.handIn();
        this.what = what;
        this.detail = "";
        this.facts = detail.json();
    }
}
