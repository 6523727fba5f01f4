package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/** Whose a delivery is: by the scheme its name follows, by the kit's marker inside it, by a student number or a name in its name. */
public final class WhoIsWho {

    /** By what it was told. */
    public enum How {
        SCHEME, MARKER, NUMBER, NAME, NOBODY
    }

    /**
     * Somebody on the roster.
     *
     * @param id what the roster calls them
     */
    public record Person(long id, RosterFields fields) {}

    /**
     * What was found out.
     *
     * @param who whose it is; empty when nobody, or several, may be meant
     * @param marker whose it is by the marker inside, where that is somebody else than its name says
     */
    public record Guess(Optional<Long> who, How how, Optional<Long> marker) {}

    private final List<Person> roster;
    private final List<Plain> plain;
    private final Optional<NameScheme> scheme;

    /** Somebody with their names as the plainest of systems would write them. */
    private record Plain(Person person, String last, String first) {
        int length() {
            return last.length() + first.length();
        }
    }

    public WhoIsWho(List<Person> roster, Optional<NameScheme> scheme) {
        this.roster = List.copyOf(roster);
        this.plain = roster.stream().map(person -> new Plain(person, plain(person.fields, RosterField.LAST),
                plain(person.fields, RosterField.FIRST))).toList();
        this.scheme = scheme;
    }

    /** @param marker what the kit's marker inside says of whose it is; nothing where there is none */
    public Guess guess(String name, RosterFields marker) {
        Optional<Long> marked = marked(marker);
        Optional<Long> schemed = scheme.flatMap(one -> only(roster.stream().filter(person -> one.fits(name, person.fields)).toList()));
        Optional<Long> numbered = byNumber(name);
        Optional<Long> named = byName(name);
        Optional<Long> byItsName = schemed.or(() -> numbered).or(() -> named);
        Optional<Long> contradicts = marked.filter(who -> byItsName.isPresent() && !byItsName.get().equals(who));
        if (byItsName.isEmpty()) {
            return new Guess(marked, marked.isPresent() ? How.MARKER : How.NOBODY, Optional.empty());
        }
        return new Guess(byItsName, schemed.isPresent() ? How.SCHEME : numbered.isPresent() ? How.NUMBER : How.NAME, contradicts);
    }

    private Optional<Long> marked(RosterFields marker) {
        String last = marker.values().getOrDefault(RosterField.LAST, "");
        String id = marker.values().getOrDefault(RosterField.ID, "");
        if (!id.isEmpty()) {
            Optional<Long> numbered = only(
                    roster.stream().filter(person -> id.equals(person.fields.values().getOrDefault(RosterField.ID, ""))).toList());
            if (numbered.isPresent()) {
                return numbered;
            }
        }
        return last.isEmpty() ? Optional.empty()
                : only(plain.stream()
                        .filter(one -> one.last.equals(plain(marker, RosterField.LAST))
                                && one.first.equals(plain(marker, RosterField.FIRST)))
                        .map(Plain::person).toList());
    }

    private static String plain(RosterFields fields, RosterField field) {
        return PlainName.of(fields.values().getOrDefault(field, ""));
    }

    /** A student number that stands alone in the name. */
    private Optional<Long> byNumber(String name) {
        List<String> parts = Arrays.asList(name.split("[^\\p{L}\\p{N}]+"));
        return only(roster.stream().filter(person -> {
            String id = person.fields.values().getOrDefault(RosterField.ID, "");
            return id.length() >= 3 && parts.stream().anyMatch(part -> part.equalsIgnoreCase(id));
        }).toList());
    }

    /** First and last name both in the name; of several the one whose name is longest, as {@code Marsh-Reed} is more than {@code Marsh}. */
    private Optional<Long> byName(String name) {
        String loose = PlainName.of(name);
        // What stands between signs that are no letters.
        Set<String> parts = Arrays.stream(name.split("[^\\p{L}\\p{M}\\p{N}'’-]+")).map(PlainName::of).collect(Collectors.toSet());
        List<Person> fitting = new ArrayList<>();
        int longest = 0;
        for (Plain one : plain) {
            boolean fits = !one.last.isEmpty() && (loose.contains(one.last + one.first) || loose.contains(one.first + one.last)
                    || !one.first.isEmpty() && parts.contains(one.last) && parts.contains(one.first));
            boolean alone = one.first.isEmpty() && !one.last.isEmpty() && parts.contains(one.last);
            if ((fits && !one.first.isEmpty() || alone) && one.length() >= longest) {
                if (one.length() > longest) {
                    fitting.clear();
                }
                longest = one.length();
                fitting.add(one.person);
            }
        }
        return only(fitting);
    }

    private static Optional<Long> only(List<Person> people) {
        return people.size() == 1 ? Optional.of(people.get(0).id) : Optional.empty();
    }
}
