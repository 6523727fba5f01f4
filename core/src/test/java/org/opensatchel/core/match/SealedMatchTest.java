package org.opensatchel.core.match;

import static org.assertj.core.api.Assertions.assertThat;

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
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.scan.Scan;

/** What became of the files of a sealed folder since the hand-in before. Files are written NAME=CONTENT. */
class SealedMatchTest {

    private static final EntryHandle NOWHERE = new EntryHandle() {};

    private static String[] split(String files) {
        return Arrays.stream(files.split(";")).filter(file -> !file.isEmpty()).toArray(String[]::new);
    }

    private static SealedMatch now(String files) {
        List<ProjectFile> all = Arrays.stream(split(files)).map(file -> file.split("="))
                .map(file -> new ProjectFile(ProjectPath.of(file[0]),
                        new SourceEntry(file[0], 10, Optional.empty(), Optional.empty(), false, file[1].hashCode(), NOWHERE)))
                .toList();
        ProjectTree tree = new ProjectTree(Optional.of("x"), all, List.of());
        return new SealedMatch(tree, new Scan(Map.of(), List.of(), Map.of(), Map.of(), List.of(), Set.of()), ProjectPath::composed,
                path -> path.text().startsWith("card/"));
    }

    private static List<SealedFile> before(String files) {
        return Arrays.stream(split(files)).map(file -> file.split("="))
                .map(file -> new SealedFile(ProjectPath.of(file[0]), 10, Optional.empty(), file[1].hashCode())).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "card/a=1;card/b=2 | card/a=1;card/b=2 | ''",
            "card/a=1;card/b=2 | card/a=1;card/b=2;card/c=3 | ''",
            "card/a=1;card/b=2 | card/a=1 | card/b GONE -",
            "card/a=1;card/b=2 | card/a=1;card/b=9 | card/b CHANGED card/b",
            "card/a=1;card/b=2 | card/a=1;card/z=2 | card/b RENAMED card/z",
            "card/a=1;card/b=2 | card/a=1;other/b=2 | card/b RENAMED other/b",
            "card/a=1 | card/z=1 | card/a RENAMED card/z",
            "card/a=1;card/b=2 | card/a=8;card/b=9 | ''",
            "card/a=1;card/b=2 | card/b=1;card/a=2 | ''",
            "card/a=1;card/b=1 | card/a=1 | card/b GONE -",
            "other/a=1;card/b=2 | card/b=2 | ''",
            "'' | card/a=1 | ''"})
    void touched(String earlier, String found, String expected) {
        String told = now(found).touched(before(earlier)).stream()
                .map(file -> file.path() + " " + file.kind() + " " + file.found().map(ProjectPath::text).orElse("-"))
                .collect(Collectors.joining(";"));
        assertThat(told).isEqualTo(expected);
    }

    /** What was there first is what counts, however often it is handed in again. */
    @Test
    void whatWasTouchedIsRememberedAsItWas() {
        List<SealedFile> first = before("card/a=1;card/b=2");
        SealedMatch second = now("card/a=1;card/z=2;card/new=5");
        List<SealedFile> kept = SealedMatch.remembered(first, second.now(), second.touched(first));
        assertThat(kept).extracting(file -> file.path().text()).containsExactly("card/a", "card/b", "card/new");
        assertThat(second.touched(kept)).extracting(TouchedFile::kind).containsExactly(TouchedFile.Kind.RENAMED);
    }

    /** Only a hash or a checksum says that two files are one; their size alone says nothing. */
    @Test
    void sizeAloneIsNoProof() {
        SealedFile known = new SealedFile(ProjectPath.of("card/a"), 10, Optional.empty(), 0);
        SealedFile other = new SealedFile(ProjectPath.of("card/b"), 10, Optional.of("f".repeat(64)), 7);
        assertThat(known.isSameAs(other)).isTrue();
        assertThat(known.isSurelySameAs(other)).isFalse();
        assertThat(other.isSurelySameAs(new SealedFile(ProjectPath.of("c"), 10, Optional.of("e".repeat(64)), 7))).as("the hash counts more")
                .isFalse();
        assertThat(other.isSameAs(new SealedFile(ProjectPath.of("c"), 11, Optional.of("f".repeat(64)), 7))).isFalse();
    }
}
