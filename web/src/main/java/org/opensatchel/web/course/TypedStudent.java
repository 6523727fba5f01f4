package org.opensatchel.web.course;

import java.io.Serializable;
import java.util.List;
import java.util.stream.Collectors;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.roster.RosterTable;
import org.opensatchel.web.text.Speech;

/** A student as somebody typed them into a form; what was left out is empty. */
record TypedStudent(String last, String first, String number, String section, String email) implements Serializable {

    TypedStudent {
        last = typed(last);
        first = typed(first);
        number = typed(number);
        section = typed(section);
        email = typed(email);
    }

    private static String typed(String text) {
        return text == null ? "" : text.strip();
    }

    /** Read as a row of a table is. */
    RosterReading read() {
        return RosterTable.row(List.of(last, first, number, section, email));
    }

    /** What is wrong with it, in words. */
    static String wrong(RosterReading reading) {
        return reading.faults().stream().map(fault -> Speech.text(fault.what())).collect(Collectors.joining(" "));
    }
}
