package org.opensatchel.formats.described.learn;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.Slot;

/**
 * What examples told.
 *
 * @param kinds the kinds of documents of which something is certain, the one with most links first
 * @param samples real values of each slot, by the kind's place in the list, a dot, and the slot
 * @param locations where each example lay when it was saved
 * @param documents how many documents there are of each kind
 * @param open kinds of documents of which nothing is certain
 */
public record Learned(List<Kind> kinds, Map<String, List<String>> samples, List<Optional<String>> locations, List<Long> documents,
        List<Open> open) {

    /** Documents of which nothing is certain. */
    public record Open(String files, long documents, List<Slot> undecided) {}

    /** The profile they make; empty where nothing is certain. */
    public Optional<Profile> profile(String title) {
        return kinds.isEmpty() ? Optional.empty() : Optional.of(new Profile(title, kinds));
    }
}
