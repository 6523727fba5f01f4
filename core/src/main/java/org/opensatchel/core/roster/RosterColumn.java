package org.opensatchel.core.roster;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What a column of a roster may hold, with headings that mean it: small letters, without blanks and signs. */
public enum RosterColumn implements Wording {
    LAST("lastname", "last", "surname", "surnames", "familyname", "family", "nachname", "familienname", "zuname", "nom", "nomdefamille",
            "apellido", "apellidos", "cognome", "achternaam", "sobrenome", "apelido", "efternamn", "efternavn", "etternavn", "nazwisko",
            "prijmeni", "sukunimi"),
    FIRST("firstname", "first", "givenname", "givennames", "given", "forename", "forenames", "preferredname", "vorname", "rufname",
            "prenom", "nombre", "nombres", "nome", "voornaam", "fornamn", "fornavn", "imie", "jmeno", "etunimi"),
    NAME("name", "student", "studentname", "fullname", "lastnamefirstname", "lastfirst", "namevorname", "nachnamevorname", "wholename",
            "displayname", "ganzername", "nomprenom", "nomcomplet", "nombrecompleto", "nomecognome"),
    ID("id", "studentid", "studentnumber", "number", "identifier", "sisid", "matriculation", "matriculationnumber", "studentno", "idnumber",
            "matrikelnummer", "matrikelnr", "matrnr", "matrikel", "numero", "numeroetudiant", "matricola", "studentnummer", "nummer", "no"),
    SECTION("section", "group", "class", "classsection", "gruppe", "seminargruppe", "klasse", "groupe", "grupo", "gruppo", "groep"),
    LOGIN("signin", "login", "loginid", "username", "user", "userid", "anmeldename", "benutzername", "signinname", "kennung"),
    EMAIL("email", "emailaddress", "mail", "mailaddress", "emailadresse", "courriel", "correo", "correoelectronico"),
    TEAM("team", "teamname");

    private static final Map<String, RosterColumn> BY_HEADING = new HashMap<>();

    static {
        for (RosterColumn column : values()) {
            column.headings.forEach(heading -> BY_HEADING.put(heading, column));
        }
    }

    private final List<String> headings;

    RosterColumn(String... headings) {
        this.headings = List.of(headings);
    }

    /** What a heading means, which is in small letters without blanks and signs. */
    static Optional<RosterColumn> of(String heading) {
        return Optional.ofNullable(BY_HEADING.get(heading));
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
