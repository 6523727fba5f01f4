package org.opensatchel.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.PlanFound.Line;
import org.opensatchel.core.report.PlanFound.State;

/** Which planned folders hold files. */
class PlanFoundTest {

    private static Line folder(String planned, State state, int files) {
        return new Line(Optional.of(planned), Optional.empty(), true, state, "", Optional.of("required"), files);
    }

    private static Line file(String planned, State state) {
        return new Line(Optional.of(planned), Optional.empty(), false, state, "", Optional.of("required"), 0);
    }

    @Test
    void aFolderIsFilledByWhatLiesInItAndBelowIt() {
        PlanFound found = new PlanFound(List.of(
                folder("story", State.there, 2),
                folder("edit", State.there, 0), file("edit/cut.otio", State.there),
                folder("footage", State.renamed, 0), folder("footage/day1", State.there, 4),
                folder("sound", State.there, 0), file("sound/mix.wav", State.missing),
                folder("sounds", State.few, 1),
                folder("titles", State.absent, 0), folder("delivery", State.missing, 0),
                new Line(Optional.empty(), Optional.of("stuff"), true, State.extra, "", Optional.empty(), 9)), 0);
        assertThat(found.filled()).containsExactly("story", "edit", "footage", "sounds");
        assertThat(found.filesIn(found.lines().get(3))).as("below it too").isEqualTo(4);
        assertThat(found.filesIn(found.lines().get(5))).as("a missing file is none, and “sounds” is another folder").isZero();
    }
}
