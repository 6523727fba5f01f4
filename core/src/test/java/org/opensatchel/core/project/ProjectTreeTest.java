package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.path.ProjectPath;

class ProjectTreeTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    private static ProjectFile file(String path, long bytes) {
        return new ProjectFile(ProjectPath.of(path), new SourceEntry(path, bytes, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE));
    }

    private static ProjectTree tree(String... paths) {
        return new ProjectTree(Optional.of("Root"), List.of(paths).stream().map(path -> file(path, 10)).toList(), List.of());
    }

    private static List<String> texts(Iterable<ProjectFile> files) {
        List<String> out = new ArrayList<>();
        files.forEach(file -> out.add(file.path().text()));
        return out;
    }

    @Test
    void filesComeInTheOrderOfTheirPathsAndFoldersFollowFromThem() {
        ProjectTree tree = new ProjectTree(Optional.empty(), List.of(file("b/c/d.png", 1), file("a.txt", 2), file("b/a.png", 3)),
                List.of(ProjectPath.of("empty/inside")));
        assertThat(texts(tree.files())).containsExactly("a.txt", "b/a.png", "b/c/d.png");
        assertThat(tree.folders()).extracting(ProjectPath::text).containsExactly("b", "b/c", "empty", "empty/inside");
        assertThat(tree.children(ProjectPath.ROOT)).extracting(ProjectPath::text).containsExactly("a.txt", "b", "empty");
        assertThat(tree.children(ProjectPath.of("b"))).extracting(ProjectPath::text).containsExactly("b/a.png", "b/c");
        assertThat(tree.bytes()).isEqualTo(6);
    }

    @Test
    void whatLiesBesideTheRootIsThereAndIsNotItsOwn() {
        ProjectTree tree = tree("edit/cut.otio", "../Take Store/take.wav", "!notes.txt", "zoo.png");
        assertThat(texts(tree.ownFiles())).containsExactly("!notes.txt", "edit/cut.otio", "zoo.png");
        assertThat(tree.count()).isEqualTo(3);
        assertThat(tree.bytes()).isEqualTo(30);
        assertThat(tree.exists(ProjectPath.of("../Take Store/take.wav"))).isTrue();
        assertThat(tree.isFolder(ProjectPath.of("../Take Store"))).isTrue();
        assertThat(tree.isFolder(ProjectPath.of(".."))).isFalse();
        assertThat(texts(tree.filesBelow(ProjectPath.of("../Take Store")))).containsExactly("../Take Store/take.wav");
    }

    @ParameterizedTest
    @CsvSource({"b,b/a.png|b/c/d.png", "b/c,b/c/d.png", "bb,bb/x.png", "b-,''", "none,''"})
    void belowAFolderIsWhatBeginsWithItsWholeName(String folder, String expected) {
        ProjectTree tree = tree("b-old/y.png", "b.png", "b/a.png", "b/c/d.png", "b0/z.png", "bb/x.png");
        assertThat(String.join("|", texts(tree.filesBelow(ProjectPath.of(folder))))).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {"f,s.,f/s.0001.png|f/s.0002.png", "f,s,f/s.0001.png|f/s.0002.png|f/sb.png",
            "f,'',f/a.png|f/s.0001.png|f/s.0002.png|f/sb.png", "'',s,s.png|salt.png", "f,x,''", "g,s,''"})
    void namesAreFoundByHowTheyBegin(String folder, String prefix, String expected) {
        ProjectTree tree = tree("f/a.png", "f/s.0001.png", "f/s.0002.png", "f/s/deep.png", "f/sb.png", "s.png", "salt.png", "salt/s.png");
        assertThat(String.join("|", texts(tree.beginning(ProjectPath.of(folder), prefix)))).isEqualTo(expected);
    }

    @Test
    void pathsThatSomeSystemTakesForOneAreAlike() {
        ProjectTree tree = tree("Sound/Hum.wav", "sound/e\u0301tude.wav", "b. /c.png");
        assertThat(tree.alike("sound/hum.wav")).extracting(ProjectPath::text).containsExactly("Sound/Hum.wav");
        assertThat(tree.alike("SOUND/étude.wav")).extracting(ProjectPath::text).containsExactly("sound/e\u0301tude.wav");
        assertThat(tree.alike("b/c.png")).extracting(ProjectPath::text).containsExactly("b. /c.png");
        assertThat(tree.alike("sound")).extracting(ProjectPath::text).containsExactly("Sound", "sound");
        assertThat(texts(tree.named("HUM.WAV"))).containsExactly("Sound/Hum.wav");
    }

    @Test
    void aFileAndAFolderOfOneNameLeaveTheFile() {
        ProjectTree tree = tree("a", "a/b.png");
        assertThat(tree.file(ProjectPath.of("a"))).isPresent();
        assertThat(tree.isFolder(ProjectPath.of("a"))).isFalse();
    }

    /** Enough files that they are put in order on several threads. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void manyFilesComeInOrderHoweverTheyAreGiven(long seed) {
        List<ProjectFile> files = new ArrayList<>();
        Random random = new Random(seed);
        for (int i = 0; i < 30_000; i++) {
            files.add(file("d" + random.nextInt(50) + "/e" + random.nextInt(50) + "/f" + i + ".png", i));
        }
        Collections.shuffle(files, random);
        ProjectTree tree = new ProjectTree(Optional.empty(), files, List.of());
        TreeSet<String> expected = new TreeSet<>();
        files.forEach(file -> expected.add(file.path().text()));
        assertThat(texts(tree.files())).containsExactlyElementsOf(expected);
        ProjectPath folder = files.get(0).path().parent();
        assertThat(texts(tree.filesIn(folder)))
                .containsExactlyElementsOf(expected.stream().filter(path -> ProjectPath.of(path).parent().equals(folder)).toList());
        assertThat(texts(tree.filesBelow(folder.parent())))
                .containsExactlyElementsOf(expected.stream().filter(path -> path.startsWith(folder.parent() + "/")).toList());
    }
}
