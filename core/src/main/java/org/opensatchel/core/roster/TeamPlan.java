package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.random.RandomGenerator;

/** Who works in which team: drawn at random, or as a column of a table says. */
public final class TeamPlan {

    private TeamPlan() {
    }

    /**
     * What a table's team column says.
     *
     * @param teams a team's name for each person the table names, by their keys
     * @param unknown lines that name nobody on the roster
     * @param silent people of whom the table says nothing, or no team
     */
    public record Column(Map<Long, String> teams, List<RosterLine> unknown, List<RosterChange.Known> silent) {}

    /**
     * Draws teams as equal as can be: none has two members more than another, and none more than {@code size}. Teams are
     * named by number, with as many digits each.
     *
     * @throws IllegalArgumentException when {@code size} is under 1
     */
    public static Map<Long, String> draw(List<Long> keys, int size, RandomGenerator random) {
        if (size < 1) {
            throw new IllegalArgumentException("a team has at least one member");
        }
        List<Long> shuffled = new ArrayList<>(keys);
        for (int i = shuffled.size() - 1; i > 0; i--) {
            Collections.swap(shuffled, i, random.nextInt(i + 1));
        }
        int teams = (keys.size() + size - 1) / size;
        int digits = String.valueOf(teams).length();
        Map<Long, String> drawn = new LinkedHashMap<>();
        for (int i = 0; i < shuffled.size(); i++) {
            drawn.put(shuffled.get(i), String.format(Locale.ROOT, "%0" + digits + "d", i % teams + 1));
        }
        return drawn;
    }

    /** Reads the team column of a table for the people it names. */
    public static Column column(List<RosterChange.Known> known, List<RosterLine> lines) {
        RosterMatch match = RosterMatch.of(known, lines);
        Map<Long, String> teams = new LinkedHashMap<>();
        List<RosterChange.Known> silent = new ArrayList<>(match.silent());
        match.pairs().forEach((line, one) -> {
            if (line.team().isEmpty()) {
                silent.add(one);
            } else {
                teams.put(one.key(), line.team());
            }
        });
        return new Column(teams, match.unknown(), silent);
    }
}
