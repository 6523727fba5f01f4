package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;

import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * Something wrong in a roster file.
 *
 * @param file the file inside a bundle, empty for a file of its own
 * @param row counted from 1 with the heading, 0 for the whole file
 * @param column the heading of the column, empty for the whole row
 */
public record RosterFault(String file, int row, String column, Phrase what) {

    /** What is wrong, with the file, row and column in front as far as they are known. */
    public Phrase said() {
        Facts place = Facts.NONE.and(FOUND, Optional.of(file).filter(name -> !name.isEmpty())).and(OTHER,
                Optional.of(column).filter(heading -> !heading.isEmpty()));
        return place.isEmpty() && row == 0 ? what : RosterWording.AT.say(place.and(NUMBER, row).and(FAULT, what));
    }
}
