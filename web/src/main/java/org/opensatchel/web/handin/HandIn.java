package org.opensatchel.web.handin;

import jakarta.persistence.Basic;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.worker.WorkOrder;

/** One project that a student sent, to be handed in or only to be checked before that, and what came of its check. */
@Entity
class HandIn {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    private Long enrolmentId;
    @Enumerated(EnumType.STRING)
    private HandInKind kind;
    @Enumerated(EnumType.STRING)
    private WorkOrder.Form form;
    private Instant countsSince;
    private int number;
    private String fileName;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String sha256;
    private long bytes;
    private Instant receivedAt;
    private Long kitVersionId;
    private Instant queuedAt;
    private Instant notBefore;
    private int weight;
    private String failure;
    @Enumerated(EnumType.STRING)
    private HandInState state;
    private long filesDone;
    private long bytesDone;
    private Instant checkedAt;
    private Verdict verdict;
    private int must;
    private int should;
    private int note;
    private List<Integer> markCounts;
    private String seam;
    private int links;
    private int doubts;
    // What was counted when it was judged; Judging alone writes it.
    @Column(insertable = false, updatable = false)
    private List<String> findingCodes;
    @Column(insertable = false, updatable = false)
    private List<Integer> findingCounts;
    @Column(insertable = false, updatable = false)
    private BigDecimal points;
    @Column(insertable = false, updatable = false)
    private Integer pointsOf;
    @Column(insertable = false, updatable = false)
    private List<BigDecimal> partPoints;
    @Basic(fetch = FetchType.LAZY)
    private byte[] report;
    @Basic(fetch = FetchType.LAZY)
    private byte[] digest;

    protected HandIn() {
    }

    HandIn(HandInKind kind, WorkOrder.Form form, long assignmentId, long enrolmentId, int number, String fileName, String sha256,
            long bytes,
            Instant receivedAt, long kitVersionId, Instant queuedAt, int weight) {
        this.kind = kind;
        this.form = form;
        this.countsSince = kind == HandInKind.HAND_IN ? receivedAt : null;
        this.assignmentId = assignmentId;
        this.enrolmentId = enrolmentId;
        this.number = number;
        this.fileName = fileName;
        this.sha256 = sha256;
        this.bytes = bytes;
        this.receivedAt = receivedAt;
        this.kitVersionId = kitVersionId;
        this.queuedAt = queuedAt;
        this.notBefore = queuedAt;
        this.weight = weight;
        this.state = HandInState.WAITING;
        this.markCounts = List.of();
        this.seam = "";
    }

    Long id() {
        return id;
    }

    Long assignmentId() {
        return assignmentId;
    }

    Long enrolmentId() {
        return enrolmentId;
    }

    String sha256() {
        return sha256;
    }

    Long kitVersionId() {
        return kitVersionId;
    }

    HandInView view() {
        return new HandInView(id, kind, form, countsSince, assignmentId, enrolmentId, number, fileName, bytes, receivedAt,
                state, filesDone, bytesDone,
                verdict, must, should, note, markCounts, seam, links, doubts, failure, notBefore);
    }
}
