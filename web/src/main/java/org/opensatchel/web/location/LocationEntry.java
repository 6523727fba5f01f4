package org.opensatchel.web.location;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.StorageKind;

/** One location a student set; earlier ones are kept. */
@Entity
@Table(name = "project_location")
class LocationEntry {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long assignmentId;
    private Long enrolmentId;
    @Enumerated(EnumType.STRING)
    private OperatingSystem system;
    @Enumerated(EnumType.STRING)
    private StorageKind storage;
    private String path;
    private int must;
    private int should;
    private Instant setAt;
    private String computer;
    private boolean givenUp;

    protected LocationEntry() {
    }

    /** @param givenUp whether the project lies on that computer no more */
    LocationEntry(long assignmentId, long enrolmentId, String computer, OperatingSystem system, StorageKind storage, String path, int must,
            int should, Instant setAt, boolean givenUp) {
        this.computer = computer;
        this.givenUp = givenUp;
        this.assignmentId = assignmentId;
        this.enrolmentId = enrolmentId;
        this.system = system;
        this.storage = storage;
        this.path = path;
        this.must = must;
        this.should = should;
        this.setAt = setAt;
    }

    SetLocation view() {
        return new SetLocation(id, enrolmentId, computer, system, storage, path, must, should, setAt);
    }
}
