package org.opensatchel.core.example;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;

/** The next assignment is this one with its number raised. */
class NextAssignmentTest {

    @ParameterizedTest
    @CsvSource({"A2,A3", "A9,A10", "W09,W10", "Part 1b,Part 2b", "Final,Final2", "2026-1,2026-2"})
    void theCodeIsRaised(String code, String next) {
        assertThat(NextAssignment.codeAfter(code)).isEqualTo(next);
    }

    @Test
    void codesAndDatesMoveWhereverTheyAreWritten() {
        String json = SampleProject.kit().replace("{course}_{assignment}_{last}_{first}", "{course}_A2_{last}_{first}")
                .replace("\"Boards\"", "\"Boards of A2, not A22, by 2026-11-30\"")
                .replace("{last}_{assignment}_final", "{last}_A2_final")
                .replace("\"machines\"", "\"steps\": [{\"title\": \"A2 on\", \"text\": \"until 2026-12-31\"}], \"machines\"");
        Kit next = NextAssignment.of(kit(json), "A2", "A3", "Lantern Walk", 14, true);
        assertThat(next.title() + next.version() + next.assignment().orElseThrow()).isEqualTo("Lantern Walk1A3");
        assertThat(next.root().text()).isEqualTo("{course}_A3_{last}_{first}");
        assertThat(next.folders().get(0).purpose()).isEqualTo("Boards of A3, not A22, by 2026-12-14");
        assertThat(next.files().get(0).name().text()).isEqualTo("{last}_A3_final");
        assertThat(next.steps().get(0).title() + " " + next.steps().get(0).text()).isEqualTo("A3 on until 2027-01-14");
        assertThat(next.starter()).isEqualTo(kit(json).starter());
        assertThat(NextAssignment.of(kit(json), "A2", "A3", "t", 0, false).starter()).isEmpty();
    }

    @Test
    void whatIsNotWrittenStaysAsItIs() {
        Kit kit = kit(SampleProject.kit());
        Kit next = NextAssignment.of(kit, "A2", "A2", kit.title(), 0, true);
        assertThat(KitWriter.write(next.withVersion(kit.version()))).isEqualTo(KitWriter.write(kit));
    }

    private static Kit kit(String json) {
        return KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    }
}
