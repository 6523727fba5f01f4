package org.opensatchel.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SourceEntry;

class NumberedFilesTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    private static ProjectTree tree(List<String> paths) {
        List<ProjectFile> files = new ArrayList<>();
        paths.forEach(path -> files.add(
                new ProjectFile(ProjectPath.of(path), new SourceEntry(path, 1, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE))));
        return new ProjectTree(Optional.of("Root"), files, List.of());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "f/s.0001.png;f/s.0002.png;f/s.0004.png;f/sb.0003.png;f/s.0003.jpg | f/s.####.png | 3 | 0003",
            "f/s.0001.png;f/s.0002.png | f/s.%04d.png | 2 | ''",
            "f/s.1.png;f/s.2.png;f/s.10.png | f/s.%d.png | 3 | 3-9",
            "f/s1_001.png;f/s1_003.png;f/s2_002.png | f/s1_###.png | 2 | 002",
            "f/s1001.png;f/s1002.png | f/s1####.png | 2 | ''",
            "f/s.0001.png;f/s.0003.png | f/s.[0001-0005].png | 2 | 0002;0004-0005",
            "f/w.1001.png;f/w.1011.png | f/w.<UDIM>.png | 2 | ''",
            "f/w.u1_v1.png;f/w.u2_v1.png;f/w.u1.png | f/w.<UVTILE>.png | 2 | ''",
            "f/seg-1.m4s;f/seg-3.m4s | f/seg-$Number$.m4s | 2 | 2",
            "f/e\u0301tude_01.png;f/e\u0301tude_02.png | f/étude_##.png | 2 | ''",
            "f/étude_01.png;f/étude_02.png | f/e\u0301tude_##.png | 2 | ''",
            "f/0001.png;f/0002.png;f/x.png | f/####.png | 2 | ''",
            "f/g/s.0001.png | f/s.####.png | 0 | ''",
            "f/s.0001.png | f/s.0001.png | 0 | ''"})
    void theFilesOfASetAndWhatIsMissing(String files, String set, int count, String gaps) {
        NumberedFiles numbered = new NumberedFiles(tree(Arrays.asList(files.split(";"))));
        assertThat(numbered.files(ProjectPath.of(set))).hasSize(count);
        assertThat(String.join(";", numbered.gaps(ProjectPath.of(set)))).isEqualTo(gaps);
    }

    @Test
    void aSetIsFoundInWhicheverFolderHoldsIt() {
        NumberedFiles numbered = new NumberedFiles(tree(List.of("a/s.0001.png", "b/c/s.0001.png", "d/s_0001.png", "e/t.0001.png")));
        assertThat(numbered.folders(NumberedSet.in("s.####.png").orElseThrow())).extracting(ProjectPath::text).containsExactly("a", "b/c");
    }

    /** Many sets in one folder: each is found by where its name begins. */
    @Test
    void manySetsInOneFolderAreKeptApart() {
        List<String> files = IntStream.range(0, 200).boxed()
                .flatMap(set -> IntStream.range(0, 50).mapToObj(i -> "frames/s" + set + "_" + String.format("%03d", i) + ".png"))
                .collect(Collectors.toList());
        NumberedFiles numbered = new NumberedFiles(tree(files));
        IntStream.range(0, 200).forEach(set -> assertThat(numbered.files(ProjectPath.of("frames/s" + set + "_###.png"))).hasSize(50));
    }
}
