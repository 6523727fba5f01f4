package org.opensatchel.core.roster;

import java.util.List;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What a column of a roster may hold, with headings that mean it: small letters, without blanks and signs. */
public enum RosterColumn implements Wording {
    LAST("lastname", "last", "surname", "familyname", "family", "nachname", "familienname"),
    FIRST("firstname", "first", "givenname", "given", "forename", "preferredname", "vorname", "rufname"),
    NAME("name", "student", "studentname", "fullname"),
    ID("id", "studentid", "studentnumber", "number", "identifier", "sisid", "matriculation", "studentno", "matrikelnummer", "matrikelnr"),
    SECTION("section", "group", "class", "classsection", "gruppe", "seminargruppe"),
    LOGIN("signin", "login", "username", "user", "anmeldename", "benutzername"),
    EMAIL("email", "emailaddress", "mail"),
    TEAM("team", "teamname");

    private final List<String> headings;

    RosterColumn(String... headings) {
        this.headings = List.of(headings);
    }

    List<String> headings() {
        return headings;
    }

    @Override
    public String key() {
        return Wording.key("column", this);
    }

    @Override
    public Set<FactName> takes() {
        return Facts.declared();
    }
}
