package org.opensatchel.web.format;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** A format that somebody described; one without a course is shared with everybody here. */
@Entity
class DocumentFormat {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long courseId;
    private String title;

    protected DocumentFormat() {
    }

    DocumentFormat(Long courseId, String title) {
        this.courseId = courseId;
        this.title = title;
    }

    long id() {
        return id;
    }

    String title() {
        return title;
    }

    /** Whether it is shared with everybody here. */
    boolean isShared() {
        return courseId == null;
    }
}
