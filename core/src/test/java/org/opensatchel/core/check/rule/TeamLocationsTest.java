package org.opensatchel.core.check.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.words.Words;

/** A team is asked for one name, and not for one drive. */
class TeamLocationsTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "E:\\Film | F:\\Film;/Volumes/S/Film;\\\\srv\\t\\Film | ''",
            "E:\\Film | F:\\film | You work in “Film”; P0 in “film”.",
            "E:\\Film | F:\\Film_new;F:\\Film;D:\\other | You work in “Film”; P0 and P2 in “Film_new” and “other”.",
            "E:\\Film | Film;somewhere | ''",
            "'' | F:\\other | ''",
            "E:\\F\u00FClm | /Volumes/S/Fu\u0308lm | ''"})
    void theNameIsCompared(String own, String others, String expected) {
        String[] paths = others.split(";");
        List<TeamLocation> team = IntStream.range(0, paths.length).mapToObj(i -> new TeamLocation("P" + i, paths[i])).toList();
        LocationEvidence evidence = mock(LocationEvidence.class);
        when(evidence.places()).thenReturn(Optional.of(own).filter(path -> !path.isEmpty()).map(ProjectLocation::of).stream().toList());
        when(evidence.team()).thenReturn(team);
        assertThat(String.join(" ",
                new TeamLocations().judge(evidence).stream().map(finding -> Words.ENGLISH.of(finding).message().toString()).toList()))
                .isEqualTo(expected);
    }
}
