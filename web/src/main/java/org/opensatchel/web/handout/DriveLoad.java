package org.opensatchel.web.handout;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A kit that was loaded onto a drive and read back as it was written. */
@Entity
class DriveLoad {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long kitVersionId;
    private Long enrolmentId;
    private String drive;
    private Instant loadedAt;

    protected DriveLoad() {
    }

    DriveLoad(long kitVersionId, long enrolmentId, String drive, Instant loadedAt) {
        this.kitVersionId = kitVersionId;
        this.enrolmentId = enrolmentId;
        this.drive = drive;
        this.loadedAt = loadedAt;
    }
}
