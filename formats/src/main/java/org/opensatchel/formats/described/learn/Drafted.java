package org.opensatchel.formats.described.learn;

import org.opensatchel.formats.described.Slot.Role;
import org.opensatchel.formats.described.Slot.Start;

/** A slot as far as it is known, with the values it was learned from. */
final class Drafted {

    final Column column;
    final Role role;
    /** The link it belongs to, and how many steps both share. */
    Drafted of;
    int within;
    /** The folder that its paths start from, and how many steps both share. */
    Drafted base;
    int baseWithin;
    /** How many of its values go with one of the link's. */
    int same;
    /** Where a saved place lay; of others the column tells. */
    Start starts;

    Drafted(Column column, Role role) {
        this.column = column;
        this.role = role;
    }
}
