package org.opensatchel.web.course;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
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

    Instant dueAt() {
        return dueAt;
    }
}
