package org.opensatchel.core.example;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.Slot;

/** Projects that are read by a profile: which documents it takes for its own, and what is said of them. */
class ProfiledProjectTest {

    @TempDir
    private Path folder;

    private Path project(String name, String... files) throws IOException {
        Path root = folder.resolve(name);
        for (int i = 0; i < files.length; i += 2) {
            Path file = root.resolve(files[i]);
            Files.createDirectories(file.getParent());
            Files.writeString(file, files[i + 1], StandardCharsets.UTF_8);
        }
        return root;
    }

    private Path withMedia(String name, String document, String text) throws IOException {
        return project(name, document, text, "footage/a.mov", "a", "footage/b.mov", "b", "footage/c d.mov", "c", "sound/e.wav", "e");
    }

    private static String scene(String... paths) {
        StringBuilder out = new StringBuilder("<scene><setup fps=\"25\"/><lane>");
        for (String path : paths) {
            out.append("<take src=\"").append(path).append("\"/>");
        }
        return out.append("</lane></scene>").toString();
    }

    private static final String[] GOOD = {"../footage/a.mov", "../footage/b.mov", "../footage/c d.mov", "../sound/e.wav"};

    private Profile scenes() throws IOException {
        return InventedFormatsTest.learn(withMedia("example", "edit/cut.scn9", scene(GOOD)));
    }

    private static List<String> links(Report report) {
        return report.links().stream().map(link -> link.document() + " " + link.text() + " " + link.outcome()).toList();
    }

    private static List<String> codes(Report report) {
        return report.findings().stream().map(finding -> finding.code() + " " + finding.severity()).filter(code -> code.startsWith("link"))
                .toList();
    }

    @Test
    void anotherEndingHidesNoDocumentAndAForeignOneIsNotTakenForOne() throws IOException {
        Profile profile = scenes();
        assertThat(links(InventedFormatsTest.check(withMedia("renamed", "edit/cut.old", scene("../footage/gone.mov", "../sound/e.wav")),
                profile))).containsExactly("edit/cut.old ../footage/gone.mov missing", "edit/cut.old ../sound/e.wav ok");
        Report foreign = InventedFormatsTest.check(
                withMedia("foreign", "edit/cut.scn9", "<other><take src=\"../footage/gone.mov\"/></other>"),
                profile);
        assertThat(codes(foreign)).noneMatch(code -> code.endsWith("must") || code.contains("differs"));
    }

    @Test
    void aDocumentThatIsBuiltOtherwiseIsToldAndAnEmptyOneIsNot() throws IOException {
        Profile profile = scenes();
        Report newer = InventedFormatsTest.check(withMedia("newer", "edit/cut.scn9",
                scene(GOOD).replace("take src", "shot media").replace("take", "shot")), profile);
        assertThat(codes(newer)).containsExactly("link.profile-differs should");
        assertThat(newer.links()).as("the path finder looks at it as before").hasSize(4);
        assertThat(codes(InventedFormatsTest.check(withMedia("empty", "edit/cut.scn9", scene()), profile))).isEmpty();
        assertThat(codes(InventedFormatsTest.check(withMedia("broken", "edit/cut.scn9", scene(GOOD).substring(0, 120)), profile)))
                .contains("link.document-unreadable should");
    }

    @Test
    void aStatementThatIsWrittenOtherwiseIsToldAndOneThatIsNotThereIsNot() throws IOException {
        String line = "piece \"one\" \"%s\" 1 2\n";
        StringBuilder text = new StringBuilder("loom 2\n");
        for (String path : GOOD) {
            text.append(line.formatted(path));
        }
        Profile profile = InventedFormatsTest.learn(withMedia("example", "edit/cut.sta9", text.toString()));
        assertThat(codes(InventedFormatsTest.check(withMedia("newer", "edit/cut.sta9", "loom 3\npiece 1 2 from here\n"), profile)))
                .containsExactly("link.profile-differs should");
        assertThat(codes(InventedFormatsTest.check(withMedia("empty", "edit/cut.sta9", "loom 2\n"), profile))).isEmpty();
    }

    @Test
    void wholePathsOfAProgramThatWritesNoOthersAreANote() throws IOException {
        Profile profile = InventedFormatsTest.learn(withMedia("example", "edit/cut.abs9",
                scene("F:\\x\\example\\footage\\a.mov", "F:\\x\\example\\footage\\b.mov", "F:\\x\\example\\sound\\e.wav")));
        assertThat(profile.kinds().get(0).absolute()).isTrue();
        Report report = InventedFormatsTest.check(withMedia("other", "edit/cut.abs9",
                scene("/Users/m/other/footage/a.mov", "/Users/m/other/sound/e.wav", "/Users/m/other/sound/gone.wav")), profile);
        assertThat(codes(report)).containsExactlyInAnyOrder("link.missing must", "link.pinned note", "link.pinned note");
    }

    @Test
    void twoExamplesAgreeOnWhatEachAloneSaysTooLittleOf() throws IOException {
        Path one = withMedia("one", "edit/cut.two9", scene("../footage/a.mov"));
        Path two = withMedia("two", "edit/cut.two9", scene("../sound/e.wav"));
        assertThat(InventedFormatsTest.learn(one, two).kinds().get(0).slots()).extracting(Slot::role).containsExactly(Slot.Role.LINK);
    }

    @Test
    void whereItWasSavedTellsWhichWholePathsLeadIntoTheProject() throws IOException {
        String head = "<film saved=\"%s\">";
        String rows = "<take><near>../footage/a.mov</near></take><take><near>../footage/b.mov</near></take><take><near>../sound/e.wav</near></take></film>";
        Profile profile = InventedFormatsTest.learn(withMedia("example", "edit/cut.sav9",
                head.formatted("F:/w/example/edit/cut.sav9") + rows.replace("</film>", "<x p=\"F:/w/example/footage/a.mov\"/></film>")));
        assertThat(profile.kinds().get(0).slots()).extracting(Slot::role).contains(Slot.Role.SAVED);
        // One whole path alone would not say where the project lay: the document does.
        Report report = InventedFormatsTest.check(withMedia("other", "edit/cut.sav9",
                head.formatted("D:/away/somewhere/edit/cut.sav9") + "<take><near>D:/away/somewhere/footage/a.mov</near></take></film>"),
                profile);
        assertThat(links(report)).containsExactly("edit/cut.sav9 D:/away/somewhere/footage/a.mov pinned");
        assertThat(report.location().flatMap(Report.Location::inferred)).contains("D:\\away\\somewhere");
    }

    @Test
    void numberedSetsAreReadAsTheExampleWritesThem() throws IOException {
        String[] frames = new String[12];
        for (int i = 0; i < 6; i++) {
            frames[2 * i] = "stills/" + (i < 3 ? "rain" : "tram") + "." + String.format("%04d", i % 3 + 1) + ".png";
            frames[2 * i + 1] = "p" + i;
        }
        String lines = "loom\nset \"../stills/rain.@@@@.png\"\nset \"../stills/tram.@@@@.png\"\nset \"../stills/rain.@@@@.png\"\n";
        Path example = project("example", frames);
        Files.createDirectories(example.resolve("edit"));
        Files.writeString(example.resolve("edit/cut.num9"), lines);
        Profile profile = InventedFormatsTest.learn(example);
        assertThat(profile.kinds().get(0).slots().get(0).numbers()).isEqualTo(Optional.of("@@@@"));
        Files.delete(example.resolve("stills/tram.0002.png"));
        Files.writeString(example.resolve("edit/cut.num9"), lines + "set \"../stills/gone.@@@@.png\"\n");
        Report report = InventedFormatsTest.check(example, profile);
        assertThat(report.links()).extracting(link -> link.text() + " " + link.outcome() + " " + link.gaps().orElse(List.of()))
                .containsExactly("../stills/rain.@@@@.png ok []", "../stills/tram.@@@@.png ok [0002]", "../stills/rain.@@@@.png ok []",
                        "../stills/gone.@@@@.png missing []");
    }

    @Test
    void cachesAndWhatPeopleReadAreLetAlone() throws IOException {
        StringBuilder text = new StringBuilder("<scene>");
        for (String path : GOOD) {
            String name = path.substring(path.lastIndexOf('/') + 1);
            text.append("<take title=\"").append(name).append("\" src=\"").append(path).append("\" peaks=\"../cache/").append(name)
                    .append(".pk\" font=\"/usr/share/fonts/x.ttf\"/>");
        }
        Path example = withMedia("example", "edit/cut.let9", text + "</scene>");
        Files.createDirectories(example.resolve("cache"));
        for (String name : List.of("a.mov", "b.mov", "c d.mov", "e.wav")) {
            Files.writeString(example.resolve("cache/" + name + ".pk"), "peaks of " + name);
        }
        Profile profile = InventedFormatsTest.learn(example);
        assertThat(profile.kinds().get(0).slots()).extracting(slot -> slot.where().text() + " " + slot.role()).containsExactlyInAnyOrder(
                "/scene/take/@src LINK", "/scene/take/@title ALONE", "/scene/take/@peaks ALONE", "/scene/take/@font ALONE");
        Report cleaned = InventedFormatsTest.check(withMedia("cleaned", "edit/cut.let9", text + "</scene>"), profile);
        assertThat(codes(cleaned)).isEmpty();
    }

    @Test
    void aFolderThatPathsStartFromIsLearnedWhereNothingNamesIt() throws IOException {
        String text = "mat 1\nmap \"wood/oak.png\"\nmap \"wood/ash.png\"\nmap \"stone.png\"\n";
        Path example = project("example", "edit/a.mat9", text, "assets/tex/wood/oak.png", "1", "assets/tex/wood/ash.png", "2",
                "assets/tex/stone.png", "3");
        Profile profile = InventedFormatsTest.learn(example);
        assertThat(profile.kinds().get(0).slots().get(0).starts()).isEqualTo(new Slot.Start.Folder("assets/tex"));
        Files.writeString(example.resolve("edit/a.mat9"), text + "map \"wood/elm.png\"\n");
        assertThat(links(InventedFormatsTest.check(example, profile))).containsExactly("edit/a.mat9 wood/oak.png ok",
                "edit/a.mat9 wood/ash.png ok", "edit/a.mat9 stone.png ok", "edit/a.mat9 wood/elm.png missing");
    }
}
