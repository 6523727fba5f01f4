package org.opensatchel.web.course;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.opensatchel.core.roster.RosterLine;

/** One line of a course's roster. */
@Entity
class Enrolment {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    private Long courseId;
    private Long accountId;
    private String lastName;
    private String firstName;
    private String studentNumber;
    private String section;
    private Instant leftAt;
    private String lastForm = "";
    private String firstForm = "";

    protected Enrolment() {
    }

    Enrolment(long courseId, long accountId, String lastName, String firstName, String studentNumber, String section) {
        this.courseId = courseId;
        this.accountId = accountId;
        this.lastName = lastName;
        this.firstName = firstName;
        this.studentNumber = studentNumber;
        this.section = section;
    }

    Long id() {
        return id;
    }

    Long courseId() {
        return courseId;
    }

    Long accountId() {
        return accountId;
    }

    String lastName() {
        return lastName;
    }

    String firstName() {
        return firstName;
    }

    String studentNumber() {
        return studentNumber;
    }

    String section() {
        return section;
    }

    Instant leftAt() {
        return leftAt;
    }

    String lastForm() {
        return lastForm;
    }

    String firstForm() {
        return firstForm;
    }

    /**
     * What a roster says of this student now; what it leaves out stays.
     *
     * @param keepsName whether their folder goes on being named as it was
     */
    void told(RosterLine line, boolean keepsName) {
        if (keepsName) {
            keepName();
        }
        lastName = line.last();
        firstName = line.first();
        studentNumber = line.id().isEmpty() ? studentNumber : line.id();
        section = line.section().isEmpty() ? section : line.section();
    }

    /** Names the student's folders as they are named now, whatever the student is called from now on. */
    void keepName() {
        lastForm = lastForm.isEmpty() ? lastName : lastForm;
        firstForm = firstForm.isEmpty() ? firstName : firstForm;
    }

    /** As somebody says by hand. */
    void corrected(String last, String first, String number, String itsSection) {
        lastName = last;
        firstName = first;
        studentNumber = number;
        section = itsSection;
    }

    /** As it was before. */
    void as(RosterImportRows.Line line) {
        corrected(line.last(), line.first(), line.number(), line.section());
        writtenAs(line.lastForm(), line.firstForm());
    }

    void left(Instant when) {
        leftAt = when;
    }

    void back() {
        leftAt = null;
    }

    void writtenAs(String last, String first) {
        lastForm = last;
        firstForm = first;
    }
}
