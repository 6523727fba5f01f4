package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.NameFolding;

/**
 * Which line of a roster file speaks of whom: by student number, else by a name that only one person on the roster has.
 *
 * @param pairs each line that speaks of somebody known, in the file's order
 * @param unknown lines of nobody on the roster
 * @param silent people on the roster of whom no line speaks
 */
record RosterMatch(Map<RosterLine, RosterChange.Known> pairs, List<RosterLine> unknown, List<RosterChange.Known> silent) {

    static RosterMatch of(List<RosterChange.Known> known, List<RosterLine> lines) {
        Map<String, RosterChange.Known> byId = new HashMap<>();
        known.stream().filter(one -> !one.id().isEmpty()).forEach(one -> byId.put(one.id(), one));
        Map<String, Optional<RosterChange.Known>> byName = new HashMap<>();
        known.forEach(one -> byName.merge(name(one.last(), one.first()), Optional.of(one), (a, b) -> Optional.empty()));
        Set<RosterChange.Known> silent = new LinkedHashSet<>(known);
        Map<RosterLine, RosterChange.Known> pairs = new LinkedHashMap<>();
        List<RosterLine> unknown = new ArrayList<>();
        for (RosterLine line : lines) {
            Optional<RosterChange.Known> match = Optional.ofNullable(byId.get(line.id())).filter(one -> !line.id().isEmpty())
                    .or(() -> byName.getOrDefault(name(line.last(), line.first()), Optional.empty())
                            .filter(one -> line.id().isEmpty() || one.id().isEmpty()))
                    .filter(silent::contains);
            if (match.isPresent()) {
                silent.remove(match.get());
                pairs.put(line, match.get());
            } else {
                unknown.add(line);
            }
        }
        return new RosterMatch(pairs, unknown, List.copyOf(silent));
    }

    private static String name(String last, String first) {
        return NameFolding.loose(last) + "/" + NameFolding.loose(first);
    }
}
