package org.opensatchel.core.location;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.core.location.LocationPolicy.Avoided;

class LocationJudgeTest {

    private static final LocationPolicy POLICY = new LocationPolicy(List.of(StorageKind.REMOVABLE, StorageKind.LOCAL),
            List.of(Avoided.DESKTOP, Avoided.DOWNLOADS, Avoided.TEMPORARY, Avoided.SYNCED, Avoided.SYSTEM), 80);
    private static final String ROOT = "MOV120_A2_Marsh_Ottoline";

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            // path, @ for the root | storage | what is wrong
            "E:\\@ | REMOVABLE | ",
            "E:\\school\\@\\ | REMOVABLE | ",
            "\"E:\\@\" | REMOVABLE | ",
            "/Volumes/STICK/@ | REMOVABLE | ",
            "C:\\Users\\omarsh\\Downloads\\@ | LOCAL | location.avoided-place",
            "/Users/omarsh/Desktop/@ | LOCAL | location.avoided-place",
            "/tmp/@ | LOCAL | location.avoided-place",
            "C:\\Windows\\@ | LOCAL | location.avoided-place",
            "E:\\@\\edit | REMOVABLE | location.subfolder",
            "E:\\ | REMOVABLE | location.parent",
            "E:\\school | REMOVABLE | location.parent",
            "C:\\Users\\omarsh\\Desktop | LOCAL | location.parent location.avoided-place",
            "C:\\Users\\omarsh | LOCAL | location.parent",
            "/Users/omarsh | LOCAL | location.parent",
            "/Volumes/STICK | REMOVABLE | location.parent",
            "E:\\Projekte | REMOVABLE | location.parent",
            "E:\\MOV120_A2_Marsh | REMOVABLE | location.root-name",
            "E:\\lantern film | REMOVABLE | location.root-name",
            "E:\\school\\new | REMOVABLE | location.root-name",
            "E:\\mov120_a2_marsh_ottoline | REMOVABLE | location.root-name",
            "E:\\A2 | REMOVABLE | location.root-name",
            "\\\\srv\\homes\\@ | LOCAL | location.storage-kind",
            "E:\\@ | NETWORK | location.storage-kind",
            "E:\\@ | SYNCED | location.storage-kind",
            "E:\\a\\b\\c\\aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa\\@ | REMOVABLE | location.too-long",
            "footage | LOCAL | location.root-name",
            "E:\\@\\@ | REMOVABLE | location.subfolder",
            "E:\\@.zip | REMOVABLE | location.root-name",
            "E:\\@\\edit.mov | REMOVABLE | location.root-name",
            "E:\\@\\edit\\cut.otio | REMOVABLE | location.root-name",
            "E:\\@\\scene.v2 | REMOVABLE | location.subfolder",
            "E:\\work\\cut.otio | REMOVABLE | location.root-name",
            "C:\\@ | REMOVABLE | location.contradicts",
            "/Users/omarsh/@ | REMOVABLE | location.contradicts",
            "E:\\a?\\@ | REMOVABLE | location.contradicts",
            "/Volumes/What?/@ | REMOVABLE | "})
    void judgesByThePathAlone(String path, StorageKind storage, String expected) {
        List<LocationFault> faults = judge(path.replace("@", ROOT), storage);
        assertThat(String.join(" ", faults.stream().map(fault -> fault.code().id()).toList())).isEqualTo(expected == null ? "" : expected);
        assertThat(faults).allSatisfy(fault -> {
            assertThat(judge(fault.facts().text(FactName.EXAMPLE).orElseThrow(), StorageKind.REMOVABLE)).isEmpty();
        });
    }

    /** A cure that renames a folder would rename the student's document. */
    @ParameterizedTest
    @ValueSource(strings = {"E:\\@\\edit\\cut.otio", "E:\\work\\cut.otio", "E:\\@\\mix.wav", "E:\\work\\room.gltf"})
    void thePathOfAFileIsToldAsOne(String path) {
        List<LocationFault> faults = judge(path.replace("@", ROOT), StorageKind.REMOVABLE);
        assertThat(faults.stream().map(fault -> fault.facts().text(FactName.HOW).orElseThrow()).toList()).containsExactly("file");
    }

    /** What somebody says of their computer, against what the path itself shows. */
    @ParameterizedTest
    @CsvSource({"WINDOWS, E:\\@, ", "WINDOWS, /Volumes/STICK/@, unix", "WINDOWS, ~/@, unix", "WINDOWS, \\\\srv\\a\\@, ",
            "MACOS, E:\\@, windows",
            "MACOS, /Volumes/STICK/@, ", "LINUX, /media/omarsh/STICK/@, ", "LINUX, e:/@, windows"})
    void aPathOfAnotherSystemIsToldByItsForm(OperatingSystem system, String path, String how) {
        List<LocationFault> faults = LocationJudge.judge(
                new ProjectLocation(Optional.of(system), Optional.empty(), path.replace("@", ROOT)), Optional.empty(), Optional.of(ROOT),
                0);
        assertThat(faults.stream().map(fault -> fault.facts().text(FactName.HOW).orElseThrow()).toList())
                .isEqualTo(how == null ? List.of() : List.of(how));
    }

    /** A path that fits by itself and leaves no room for what the plan puts deepest. */
    @ParameterizedTest
    @CsvSource({"0, ''", "200, ''", "230, deepest"})
    void thePlansDeepestFileHasToFit(int deepest, String how) {
        List<LocationFault> faults = LocationJudge.judge(ProjectLocation.of("E:\\school\\" + ROOT), Optional.empty(), Optional.of(ROOT),
                deepest);
        assertThat(faults.stream().map(fault -> fault.facts().text(FactName.HOW).orElseThrow()).reduce("", String::concat)).isEqualTo(how);
    }

    /** A name that says nothing is a wrong name, unless the links show that the root lies in it. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"E:\\banana | location.parent", "e:\\banana | location.parent",
            "E:\\banana\\old | location.root-name", "F:\\banana | location.root-name"})
    void theLinksTellWhetherItIsTheFolderAround(String path, String expected) {
        ProjectLocation location = new ProjectLocation(Optional.of(OperatingSystem.WINDOWS), Optional.of(StorageKind.REMOVABLE), path);
        assertThat(LocationJudge.judge(location, Optional.of(POLICY), Optional.of(ROOT), Optional.of("E:\\banana\\" + ROOT)))
                .extracting(fault -> fault.code().id()).containsExactly(expected);
    }

    @ParameterizedTest
    @CsvSource({"5000", "1001"})
    void anEndlessPathIsTooLongWhateverTheKitSays(int length) {
        ProjectLocation endless = ProjectLocation.of("E:\\" + "a".repeat(length));
        assertThat(LocationJudge.judge(endless, Optional.empty(), Optional.empty(), 0)).singleElement()
                .satisfies(fault -> assertThat(fault.code().id()).isEqualTo("location.too-long"));
    }

    private static List<LocationFault> judge(String path, StorageKind storage) {
        OperatingSystem system = path.startsWith("/") ? OperatingSystem.MACOS : OperatingSystem.WINDOWS;
        return LocationJudge.judge(new ProjectLocation(Optional.of(system), Optional.of(storage), path), Optional.of(POLICY),
                Optional.of(ROOT), 0);
    }
}
