package org.opensatchel.worker;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an example taught.
 *
 * @param profile the description it makes, as its document; empty when nothing is certain
 * @param samples real values of each place, by the kind's number, a dot, and the place
 * @param locations where the example lay when it was saved
 * @param documents how many documents there are of each kind
 * @param nothing why it taught nothing, as the facts of a phrase
 */
public record Taught(Optional<String> profile, Map<String, List<String>> samples, List<Optional<String>> locations, List<Long> documents,
        Optional<Map<String, Object>> nothing) {}
