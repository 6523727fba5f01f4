package org.opensatchel.web.course;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import java.time.Duration;
import java.time.Instant;

/** A piece of work of a course. */
@Entity
class Assignment {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @ManyToOne(fetch = FetchType.LAZY)
    @JoinColumn(name = "course_id")
    private Course course;
    private String code;
    private String title;
    private Instant dueAt;
    private int graceMinutes;
    @Enumerated(EnumType.STRING)
    private AfterDue afterDue = AfterDue.LATE;
    private boolean takesListing;

    protected Assignment() {
    }

    Assignment(Course course, String code, String title, Instant dueAt) {
        this.course = course;
        this.code = code;
        this.title = title;
        this.dueAt = dueAt;
    }

    Long id() {
        return id;
    }

    Course course() {
        return course;
    }

    String code() {
        return code;
    }

    String title() {
        return title;
    }

    Deadline deadline() {
        return new Deadline(dueAt, Duration.ofMinutes(graceMinutes), afterDue, course.zone());
    }

    boolean takesListing() {
        return takesListing;
    }

    void due(Instant at, int grace, AfterDue after) {
        dueAt = at;
        graceMinutes = grace;
        afterDue = after;
    }

    void takeListing(boolean takes) {
        takesListing = takes;
    }

    void named(String itsTitle) {
        title = itsTitle;
    }
}
