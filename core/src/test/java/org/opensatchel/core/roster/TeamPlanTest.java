package org.opensatchel.core.roster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Teams by lot are even and leave nobody out; teams of a column reach the people the table names. */
class TeamPlanTest {

    @ParameterizedTest
    @CsvSource({"24,3,8", "24,5,5", "25,4,7", "1,3,1", "2,5,1", "30,2,15", "7,7,1", "200,6,34"})
    void lotsAreEven(int people, int size, int teams) {
        List<Long> keys = LongStream.range(0, people).boxed().toList();
        for (int seed = 0; seed < 20; seed++) {
            Map<Long, String> drawn = TeamPlan.draw(keys, size, new Random(seed));
            assertThat(drawn.keySet()).as("seed %d", seed).containsExactlyInAnyOrderElementsOf(keys);
            Map<String, Long> sizes = drawn.values().stream().collect(Collectors.groupingBy(name -> name, Collectors.counting()));
            assertThat(sizes).hasSize(teams);
            assertThat(sizes.values()).allMatch(count -> count <= size && count >= people / teams);
            assertThat(sizes.keySet()).as("names sort as numbers do").allMatch(name -> name.length() == String.valueOf(teams).length());
        }
        assertThat(TeamPlan.draw(keys, size, new Random(1))).isEqualTo(TeamPlan.draw(keys, size, new Random(1)));
    }

    @Test
    void aTeamHasAtLeastOneMember() {
        assertThatThrownBy(() -> TeamPlan.draw(List.of(1L), 0, new Random(1))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aColumnReachesWhomItNames() {
        List<RosterChange.Known> known = List.of(new RosterChange.Known(1, "Marsh", "Ottoline", "11", "A"),
                new RosterChange.Known(2, "Marsh", "Odile", "12", "A"), new RosterChange.Known(3, "Tamsin", "", "13", "B"),
                new RosterChange.Known(4, "Quist", "Annelie", "14", "B"));
        List<RosterLine> lines = List.of(line(2, "Other", "Spelling", "11", "Owls"), line(3, "tamsin", "", "", "Bats"),
                line(4, "Marsh", "Odile", "99", "Owls"), line(5, "Quist", "Annelie", "", ""));
        TeamPlan.Column column = TeamPlan.column(known, lines);
        assertThat(column.teams()).as("a number says more than a name, and another number is somebody else")
                .isEqualTo(Map.of(1L, "Owls", 3L, "Bats"));
        assertThat(column.unknown()).extracting(RosterLine::row).containsExactly(4);
        assertThat(column.silent()).extracting(RosterChange.Known::key).containsExactly(2L, 4L);
    }

    private static RosterLine line(int row, String last, String first, String id, String team) {
        return new RosterLine(row, last, first, id, "", "", "", team);
    }
}
