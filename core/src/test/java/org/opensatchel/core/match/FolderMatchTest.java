package org.opensatchel.core.match;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;

/** Which folder stands for which planned one, and as what. */
class FolderMatchTest {

    private static final RosterFields MARSH = RosterFields.NONE.with(RosterField.LAST, "Marsh").with(RosterField.FIRST, "Ottoline");

    private static PlanMatch match(String planned, String found) {
        String rules = Arrays.stream(planned.split(";"))
                .map(path -> path.startsWith("?") ? "{\"path\": \"" + path.substring(1) + "\", \"need\": \"optional\"}"
                        : "{\"path\": \"" + path + "\", \"need\": \"required\"}")
                .collect(Collectors.joining(", "));
        Kit kit = KitReader.read(("{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"x\"}, \"folders\": [" + rules + "]}")
                .getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        List<ProjectPath> folders = Arrays.stream(found.split(";")).filter(path -> !path.isEmpty()).map(ProjectPath::of).toList();
        return new PlanMatch(new ProjectTree(Optional.of("x"), List.of(), folders),
                new Scan(Map.of(), List.of(), Map.of(), Map.of(), List.of(), Set.of()), List.of(), kit, MARSH, List.of());
    }

    private static String told(PlannedFolder match) {
        return match.planned() + " " + match.kind() + match.found().stream().map(path -> " " + path).sorted().collect(Collectors.joining());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "sound | sound | sound THERE sound",
            "sound | '' | sound MISSING",
            "sound | Sound | sound RENAMED Sound",
            "sound | sounds | sound RENAMED sounds",
            "sound | 01_sound | sound RENAMED 01_sound",
            "sound | sound2 | sound RENAMED sound2",
            "sound | sond | sound RENAMED sond",
            "sound | audio | sound MISSING",
            "art | ark | art MISSING",
            "shot_01 | shot_02 | shot_01 MISSING",
            "étude | e\u0301tude | étude THERE e\u0301tude",
            "étude | etude | étude RENAMED etude",
            "sound effects | sound_effects | sound effects RENAMED sound_effects",
            "sound | bundle/sound | sound MOVED bundle/sound",
            "sound | bundle/Sound | sound MOVED bundle/Sound",
            "sound | a/sound;b/sound | sound MISSING",
            "sound | Sound;SOUND | sound MISSING",
            "?sound | bundle/sound | sound MISSING",
            "?sound | Sound | sound RENAMED Sound",
            "sound;sounds | sounds | sound MISSING; sounds THERE sounds",
            "edit;edit/autosave | Edit/autosave | edit RENAMED Edit; edit/autosave THERE Edit/autosave",
            "edit;edit/autosave | Edit/Autosave | edit RENAMED Edit; edit/autosave RENAMED Edit/Autosave",
            "edit;edit/autosave | work/edit/autosave | edit MOVED work/edit; edit/autosave THERE work/edit/autosave",
            "work/sound | work | work/sound MISSING",
            "shots/{word} | shots/one;shots/two | shots/{word} THERE shots/one shots/two",
            "shots/{word} | shots/one two | shots/{word} MISSING",
            "{last} | Marsh | Marsh THERE Marsh",
            "{last} | marsh | Marsh RENAMED marsh",
            "{last}/sound | Marsh/sound | Marsh/sound THERE Marsh/sound"})
    void standsFor(String planned, String found, String expected) {
        assertThat(match(planned, found).folders().stream().map(FolderMatchTest::told).collect(Collectors.joining("; ")))
                .isEqualTo(expected);
    }

    @Test
    void whatLiesInARenamedFolderHasThePathItShouldHave() {
        PlanMatch plan = match("edit;sound", "Edit/old;bundle/sound/takes");
        assertThat(plan.canonical(ProjectPath.of("Edit/old/a.otio"))).isEqualTo(ProjectPath.of("edit/old/a.otio"));
        assertThat(plan.canonical(ProjectPath.of("bundle/sound/takes"))).isEqualTo(ProjectPath.of("sound/takes"));
        assertThat(plan.canonical(ProjectPath.of("Editor/a"))).isEqualTo(ProjectPath.of("Editor/a"));
        assertThat(plan.rule(ProjectPath.of("Edit")).map(rule -> rule.path().text())).contains("edit");
        assertThat(plan.shouldBe()).containsOnlyKeys(ProjectPath.of("Edit"), ProjectPath.of("bundle/sound"));
    }

    @ParameterizedTest
    @CsvSource({"work,true", "work/deep,true", "work/deep/sound,false", "other,false", "shots,true", "shots/one,false"})
    void foldersOnTheWayToAPlannedOneArePlanned(String folder, boolean onTheWay) {
        assertThat(match("work/deep/sound;shots/{word}", "work/deep/sound;shots/one;other").isOnTheWay(ProjectPath.of(folder)))
                .isEqualTo(onTheWay);
    }

    @Test
    void ofTwoRulesThatFitTheOneWithFewerFreeFieldsIsMeant() {
        PlanMatch plan = match("shots/{word};shots/refs", "shots/refs;shots/one");
        assertThat(plan.rule(ProjectPath.of("shots/refs")).map(rule -> rule.path().text())).contains("shots/refs");
        assertThat(plan.rule(ProjectPath.of("shots/one")).map(rule -> rule.path().text())).contains("shots/{word}");
    }
}
