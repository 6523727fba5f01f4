package org.opensatchel.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MORE;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.TARGET;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.report.FindingGroups.Group;
import org.opensatchel.core.report.Report.FindingLine;

/** Findings as people read them: what one movement of the hand mends is told once. */
class FindingGroupsTest {

    private static FindingLine line(String code, String path, String at, Facts facts) {
        return new FindingLine(code, "must", path, Optional.of(at).filter(text -> !text.isEmpty()), "", "", List.of(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.of(facts));
    }

    private static FindingLine pinned(String path, String at, String root, String target) {
        return line("link.pinned", path, at, Facts.of(OLD_ROOT, root).and(TARGET, target));
    }

    @Test
    void linksOfOneDocumentToOneOldRootAreOneGroup() {
        List<Group> groups = FindingGroups
                .of(List.of(pinned("a.otio", "1:1", "F:\\A2", "x.mp4"), pinned("a.otio", "2:1", "F:\\A2", "y.mp4"),
                        pinned("a.otio", "3:1", "D:\\old", "z.mp4"), pinned("b.otio", "1:1", "F:\\A2", "x.mp4")));
        assertThat(groups).extracting(Group::count).containsExactly(2L, 1L, 1L);
        assertThat(groups.get(0).shared().text(OLD_ROOT)).contains("F:\\A2");
        assertThat(groups.get(0).shared().text(TARGET)).as("they differ in it").isEmpty();
        assertThat(groups.get(0).shared().number(COUNT)).isEqualTo(2);
        assertThat(groups.get(0).onePath()).contains("a.otio");
    }

    /** Two folders that are missing are two things to do, however alike they are. */
    @Test
    void otherFindingsStandAlone() {
        assertThat(FindingGroups
                .of(List.of(line("structure.folder-missing", "a", "", Facts.NONE), line("structure.folder-missing", "b", "", Facts.NONE))))
                .hasSize(2);
    }

    @Test
    void whatSaysLittleAloneIsGathered() {
        List<Group> groups = FindingGroups.of(List.of(line("asset.unused", "a", "", Facts.NONE), line("asset.unused", "b", "", Facts.NONE),
                line("name.space", "c d", "", Facts.NONE)));
        assertThat(groups).extracting(Group::code).containsExactly("asset.unused", "name.space");
        assertThat(groups.get(0).onePath()).isEmpty();
    }

    /** What stands for the rest of its kind is no group of its own, but counts in the last one. */
    @Test
    void theRestOfAKindIsCountedWithIt() {
        List<Group> groups = FindingGroups.of(List.of(pinned("a.otio", "1:1", "F:\\A2", "x"), pinned("b.otio", "1:1", "F:\\A2", "x"),
                line("link.pinned", "", "", Facts.of(MORE, 40))));
        assertThat(groups).extracting(Group::count).containsExactly(1L, 41L);
        assertThat(groups.get(1).isMany()).isTrue();
    }

    @Test
    void aReportFromBeforeIsGroupedByWhereItsFindingsStand() {
        FindingLine old = new FindingLine("link.pinned", "must", "a.otio", Optional.of("1:1"), "said", "", List.of(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.empty());
        FindingLine second = new FindingLine("link.pinned", "must", "a.otio", Optional.of("2:1"), "said", "", List.of(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.empty());
        assertThat(FindingGroups.of(List.of(old, second))).singleElement().satisfies(group -> assertThat(group.count()).isEqualTo(2));
    }
}
