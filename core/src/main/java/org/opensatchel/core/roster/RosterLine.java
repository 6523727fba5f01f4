package org.opensatchel.core.roster;

/**
 * One student as a roster file tells them; what it does not tell is empty.
 *
 * @param row the row of the file, counted from 1 with its heading
 * @param login the name they would sign in with, in small letters
 * @param email their whole address, in small letters
 */
public record RosterLine(int row, String last, String first, String id, String section, String login, String email, String team) {

    /** The same in another row. */
    RosterLine at(int another) {
        return new RosterLine(another, last, first, id, section, login, email, team);
    }

    /** Last name first. */
    public String listed() {
        return first.isEmpty() ? last : last + ", " + first;
    }
}
