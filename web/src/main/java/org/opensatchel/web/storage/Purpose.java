package org.opensatchel.web.storage;

import java.time.Duration;
import java.util.Optional;

/** What a content is kept for, and how long it stays when nothing refers to it. */
public enum Purpose {
    HAND_IN(null),
    /** A plan that is not saved yet may name it. */
    STARTER(Duration.ofHours(24)),
    /** Looked at before it is imported. */
    ROSTER(Duration.ofHours(24)),
    EXAMPLE(Duration.ofHours(1)),
    /** Many people's work, before it is assigned. */
    INTAKE(Duration.ofDays(2)),
    /** Came as a part of something that is not all here yet. */
    SENDING(Duration.ofDays(7));

    private final Duration stays;

    Purpose(Duration stays) {
        this.stays = stays;
    }

    Optional<Duration> stays() {
        return Optional.ofNullable(stays);
    }
}
