package org.opensatchel.web.course;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import java.util.HashSet;
import java.util.Set;

/** A course with the accounts that teach it. */
@Entity
class Course {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private String code;
    private String title;
    @ElementCollection
    @CollectionTable(name = "course_instructor", joinColumns = @JoinColumn(name = "course_id"))
    @Column(name = "account_id")
    private Set<Long> instructors = new HashSet<>();

    protected Course() {
    }

    Course(String code, String title, long instructor) {
        this.code = code;
        this.title = title;
        this.instructors.add(instructor);
    }

    Long id() {
        return id;
    }

    String code() {
        return code;
    }

    String title() {
        return title;
    }
}
