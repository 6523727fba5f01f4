package org.opensatchel.core.roster;

/**
 * A name in two parts.
 *
 * @param last the last name, or the only one there is
 * @param first empty for who has one name
 */
record PersonName(String last, String first) {

    /** From two cells; who has one name has it as the last one, which every pattern asks for. */
    static PersonName of(String last, String first) {
        return last.isEmpty() ? new PersonName(first, "") : new PersonName(last, first);
    }

    /** From one cell: last name first where there is a comma; else the last word is the last name, with the small words before it. */
    static PersonName whole(String name) {
        String stripped = name.strip();
        int comma = stripped.indexOf(',');
        if (comma >= 0) {
            return of(stripped.substring(0, comma).strip(), stripped.substring(comma + 1).strip());
        }
        int from = stripped.lastIndexOf(' ') + 1;
        while (from > 1) {
            int before = stripped.lastIndexOf(' ', from - 2) + 1;
            // “van”, “de la”, “al” belong to the name that follows; the first word never does.
            if (before == 0 || !Character.isLowerCase(stripped.codePointAt(before))) {
                break;
            }
            from = before;
        }
        return of(stripped.substring(from), stripped.substring(0, from).strip());
    }
}
