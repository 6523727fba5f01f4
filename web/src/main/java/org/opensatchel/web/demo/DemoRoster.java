package org.opensatchel.web.demo;

import java.util.List;
import java.util.Optional;

/** The made-up students of the demo. */
final class DemoRoster {

    /** One student; the sign-in name is made of both names in plain letters. */
    record Person(String last, Optional<String> first, String login) {}

    static final List<Person> PEOPLE = List.of(
            person("Marsh", "Ottoline", "ottoline.marsh"), person("Ó Duibhne", "Séafra", "seafra.oduibhne"),
            person("Vandermolen-Ashgrove", "Wilhelmina", "wilhelmina.vandermolen"), new Person("Tamsin", Optional.empty(), "tamsin"),
            person("Brightwater", "Kofi", "kofi.brightwater"), person("Castellane", "Inès", "ines.castellane"),
            person("Drury", "Halvard", "halvard.drury"),
            person("Eskildsen", "Maren", "maren.eskildsen"), person("Fairweather", "Juno", "juno.fairweather"),
            person("Garrick", "Tobiah", "tobiah.garrick"),
            person("D’Amberley", "Cosima", "cosima.damberley"), person("Ikande", "Samuel", "samuel.ikande"),
            person("Jessop", "Ffion", "ffion.jessop"),
            person("Kestrel", "Rowan", "rowan.kestrel"), person("Lindqvist", "Åsa", "asa.lindqvist"),
            person("Marsh", "Odile", "odile.marsh"),
            person("Nakagoshi", "Ren", "ren.nakagoshi"), person("Oyelaran", "Bisi", "bisi.oyelaran"),
            person("Pellworm", "Jost", "jost.pellworm"),
            person("Quist", "Annelie", "annelie.quist"), person("Rudge", "Barnaby", "barnaby.rudge"),
            person("Sørensen", "Liv", "liv.sorensen"),
            person("Thackeray", "Noor", "noor.thackeray"), person("Umberline", "Cass", "cass.umberline"));

    private DemoRoster() {
    }

    private static Person person(String last, String first, String login) {
        return new Person(last, Optional.of(first), login);
    }
}
