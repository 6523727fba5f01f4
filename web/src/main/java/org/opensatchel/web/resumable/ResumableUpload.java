package org.opensatchel.web.resumable;

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

/** A project on its way to us: what it consists of, and since when that is known. A student has one at a time for an assignment. */
@Entity
@Table(name = "sending")
class ResumableUpload {

    /** A folder file by file, or an archive as the one file it is. */
    enum Form {
        ZIP, FOLDER
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String token;
    private Long assignmentId;
    private Long enrolmentId;
    @Enumerated(EnumType.STRING)
    private Form form;
    private String name;
    @JdbcTypeCode(SqlTypes.CHAR)
    private String listSha256;
    private int files;
    private long bytes;
    private long wanted;
    private Instant listedAt;
    private Instant touchedAt;
    private Long handInId;
    private boolean finished;

    protected ResumableUpload() {
    }

    ResumableUpload(String token, long assignmentId, long enrolmentId) {
        this.token = token;
        this.assignmentId = assignmentId;
        this.enrolmentId = enrolmentId;
    }

    /** What is sent from now on. */
    void list(Form form, String name, Listed listed, long wanted, Instant now) {
        this.form = form;
        this.name = name;
        this.listSha256 = listed.list().sha256();
        this.files = listed.files();
        this.bytes = listed.bytes();
        this.wanted = wanted;
        this.listedAt = now;
        this.touchedAt = now;
    }

    void finish(Long handIn) {
        this.finished = true;
        this.handInId = handIn;
    }

    Long id() {
        return id;
    }

    String token() {
        return token;
    }

    long assignmentId() {
        return assignmentId;
    }

    long enrolmentId() {
        return enrolmentId;
    }

    Form form() {
        return form;
    }

    String name() {
        return name;
    }

    String listSha256() {
        return listSha256;
    }

    int files() {
        return files;
    }

    long bytes() {
        return bytes;
    }

    Instant listedAt() {
        return listedAt;
    }

    Long handInId() {
        return handInId;
    }

    boolean isFinished() {
        return finished;
    }
}
