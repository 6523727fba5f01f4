package org.opensatchel.web.course;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import java.time.ZoneId;
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
    private String timeZone = "";
    private boolean showsPreChecks;
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

    /** Where nobody chose one, that of the server. */
    ZoneId zone() {
        return timeZone.isEmpty() ? ZoneId.systemDefault() : ZoneId.of(timeZone);
    }

    boolean showsPreChecks() {
        return showsPreChecks;
    }

    /** @param zone empty for that of the server */
    void setZone(String zone) {
        timeZone = zone;
    }

    String timeZone() {
        return timeZone;
    }

    void showPreChecks(boolean shows) {
        showsPreChecks = shows;
    }
}
