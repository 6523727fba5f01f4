package org.opensatchel.web.course;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/**
 * A student of a course, for pages and other features.
 *
 * @param lastForm how the last name is written in file names, empty for the usual way
 * @param team the team of the assignment in question, empty outside of assignments and for who works alone
 */
public record Student(long enrolmentId, long accountId, String last, String first, String number, String section, String lastForm,
        String firstForm, boolean hasLeft, String team) {

    /** The roster's order: by name, accents and apostrophes overlooked. */
    static final Comparator<Student> BY_NAME = Comparator.comparing((Student student) -> NameFolding.loose(student.last()))
            .thenComparing(student -> NameFolding.loose(student.first()));

    static Student of(Enrolment enrolment) {
        return new Student(enrolment.id(), enrolment.accountId(), enrolment.lastName(), enrolment.firstName(), enrolment.studentNumber(),
                enrolment.section(), enrolment.lastForm(), enrolment.firstForm(),
                enrolment.leftAt() != null, "");
    }

    Student in(String itsTeam) {
        return new Student(enrolmentId, accountId, last, first, number, section, lastForm, firstForm, hasLeft, itsTeam);
    }

    /** Last name first, as rosters are sorted. */
    public String listed() {
        return first.isEmpty() ? last : last + ", " + first;
    }

    /** Whether a name or number has a text in it, accents and capitals overlooked. */
    boolean isFoundBy(String text) {
        String sought = NameFolding.loose(text);
        return NameFolding.loose(name()).contains(sought) || NameFolding.loose(listed().replace(",", "")).contains(sought)
                || number.contains(text.strip());
    }

    public String name() {
        return (first + " " + last).strip();
    }

    /** How the name stands in file names, each part as it was set or as it is made. */
    public String inFileNames() {
        String one = FileNameForm.of(lastForm.isEmpty() ? last : lastForm, false);
        String two = FileNameForm.of(firstForm.isEmpty() ? first : firstForm, false);
        return two.isEmpty() ? one : one + " · " + two;
    }

    /** What name patterns are made from, for a kit that a whole team shares: nothing that is one member's own. */
    public RosterFields teamFields(AssignmentView assignment) {
        return new Student(0, 0, "", "", "", section, "", "", false, team).fields(assignment);
    }

    /** What name patterns are made from. */
    public RosterFields fields(AssignmentView assignment) {
        Map<RosterField, String> values = new EnumMap<>(RosterField.class);
        values.put(RosterField.LAST, lastForm.isEmpty() ? last : lastForm);
        values.put(RosterField.FIRST, firstForm.isEmpty() ? first : firstForm);
        values.put(RosterField.ID, number);
        values.put(RosterField.COURSE, assignment.courseCode());
        values.put(RosterField.SECTION, section);
        values.put(RosterField.ASSIGNMENT, assignment.code());
        values.put(RosterField.TEAM, team);
        return new RosterFields(values);
    }
}
