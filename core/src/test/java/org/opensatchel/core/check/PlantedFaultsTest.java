package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.Verdict;

/** A clean project is clean in every packing; every planted fault is found, named right, and alone. */
class PlantedFaultsTest {

    private static final Kit KIT = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    private static final RosterFields MARSH = new RosterFields(
            Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline", RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));
    private static final String V02 = "edit/Marsh_A2_v02.otio";

    @TempDir
    Path temp;

    private static Report check(ProjectSource source, CheckRequest request) throws IOException {
        try (source) {
            return new ProjectCheck(request.at(Instant.EPOCH)).run(source);
        }
    }

    private static CheckRequest request() {
        return CheckRequest.of(Optional.of(KIT), MARSH).located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)));
    }

    private static List<String> codes(Report report) {
        return report.findings().stream().map(finding -> finding.code() + " " + finding.path()).sorted().toList();
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                fault("a capital in a folder", project -> project.move("footage", "Footage"), "structure.folder-renamed Footage"),
                fault("a letter short", project -> project.move("footage", "fotage"), "structure.folder-renamed fotage"),
                fault("a folder renamed with a space", project -> project.move("sound", "so und"), "structure.folder-renamed so und"),
                fault("a folder in another", project -> project.move("sound", "story/sound"), "structure.folder-moved story/sound"),
                fault("the documents' folder in another", project -> project.move("edit", "story/edit"),
                        "structure.folder-moved story/edit"),
                fault("a folder under quite another name", project -> project.move("footage", "collected"),
                        "structure.folder-renamed collected"),
                fault("an optional one too", project -> project.move("titles", "lettering"), "structure.folder-renamed lettering"),
                fault("one with what came with the kit", project -> project.move("sound", "noises").links("../footage/stall_01.mp4"),
                        "structure.folder-renamed noises"),
                fault("under another name elsewhere", project -> project.move("footage", "story/collected"),
                        "structure.folder-moved story/collected"),
                fault("its files in two others",
                        project -> project.move("footage/stall_01.mp4", "one/stall_01.mp4").move("footage/stall_02.mp4", "two/stall_02.mp4")
                                .remove("footage/stall_03.mp4")
                                .links("../footage/stall_01.mp4", "../footage/stall_02.mp4", "../sound/hum.wav", "../titles/titles.svg"),
                        "structure.folder-missing footage", "structure.folder-other one", "structure.folder-other two"),
                fault("the program's own folder, named by a document",
                        project -> project.remove("edit/autosave").timeline(V02, "../footage/stall_01.mp4", "../footage/stall_02.mp4",
                                "../footage/stall_03.mp4", "../sound/market-bell.wav", "../sound/hum.wav", "../titles/titles.svg",
                                "autosave/before.wav"),
                        "link.missing " + V02, "structure.managed-gone edit/autosave"),
                fault("the program's own folder, named by nobody", project -> project.remove("edit/autosave")),
                fault("no version", project -> project.move(V02, "edit/Marsh_A2.otio"), "name.version-missing edit/Marsh_A2.otio"),
                fault("a version that says nothing", project -> project.move(V02, "edit/Marsh_A2_v.otio"),
                        "name.document edit/Marsh_A2_v.otio"),
                fault("versions left out", project -> project.move(V02, "edit/Marsh_A2_v04.otio"),
                        "name.version-gap edit/Marsh_A2_v04.otio"),
                fault("the kit of another assignment", project -> project.put("satchel.kit.json", marker("A1", "Marsh", "Ottoline")),
                        "structure.other-kit satchel.kit.json"),
                fault("the kit of another course",
                        project -> project.put("satchel.kit.json", marker("A2", "Marsh", "Ottoline").replace("MOV 120", "MOV 210")),
                        "structure.other-kit satchel.kit.json"),
                fault("a course written otherwise",
                        project -> project.put("satchel.kit.json", marker("a2", "Marsh", "Ottoline").replace("MOV 120", "mov120"))),
                fault("accents apart from their letters, in the link too",
                        project -> project.put("story/cafe\u0301.png", SampleProject.png(9)).timeline("edit/Marsh_A2_v01.otio",
                                "../story/cafe\u0301.png"),
                        "name.not-composed story/cafe\u0301.png", "structure.file-misplaced story/cafe\u0301.png"),
                fault("accents apart that no link writes", project -> project.put("story/cafe\u0301.csv", "x")),
                fault("no folder", project -> project.remove("delivery"), "structure.folder-missing delivery"),
                fault("no story", project -> project.remove("story"), "structure.folder-missing story"),
                fault("a forbidden folder", project -> project.put("scrap/a.txt", "x"), "structure.folder-forbidden scrap"),
                fault("an unplanned folder", project -> project.put("extra/a.txt", "x"), "structure.folder-other extra"),
                fault("one shot of two", project -> project.put("shots/one/a.txt", "x"), "structure.repeats-too-few shots/{word}"),
                fault("a clip among sounds", project -> project.put("sound/x.mp4", SampleProject.mp4(5)), "asset.unused sound/x.mp4",
                        "structure.file-misplaced sound/x.mp4"),
                fault("a type no folder takes", project -> project.put("sound/notes.docx", "x"),
                        "asset.type-not-accepted sound/notes.docx"),
                fault("a file in the root", project -> project.put("notes.txt", "x"), "structure.file-misplaced notes.txt"),
                fault("no timeline", project -> project.remove(V02).remove("edit/Marsh_A2_v01.otio"), "structure.document-missing edit"),
                fault("the newest timeline in the root", project -> project.move(V02, "Marsh_A2_v02.otio"),
                        "structure.document-misplaced Marsh_A2_v02.otio"),
                fault("a timeline's name", project -> project.move(V02, "edit/Marsh_v02.otio"), "name.document edit/Marsh_v02.otio"),
                fault("a space in it", project -> project.move(V02, "edit/Marsh A2_v02.otio"), "name.document edit/Marsh A2_v02.otio"),
                fault("the film's name", project -> project.move("delivery/Marsh_A2_final.mp4", "delivery/Marsh_final.mp4"),
                        "name.file delivery/Marsh_final.mp4"),
                fault("no film", project -> project.remove("delivery/Marsh_A2_final.mp4").put("delivery/.keep", ""),
                        "asset.required-missing delivery/Marsh_A2_final.mp4"),
                fault("the film among timelines",
                        project -> project.move("delivery/Marsh_A2_final.mp4", "edit/Marsh_A2_final.mp4").put("delivery/.keep", ""),
                        "asset.required-missing delivery/Marsh_A2_final.mp4"),
                fault("another root", project -> project.named("MOV120_A2_Marsh_Otoline"), "name.root "),
                fault("a space",
                        project -> project.move("sound/hum.wav", "sound/hum 2.wav").links("../sound/hum 2.wav", "../footage/stall_02.mp4",
                                "../footage/stall_03.mp4", "../titles/titles.svg"),
                        "name.space sound/hum 2.wav"),
                fault("a device", project -> project.put("story/aux.csv", "x"), "name.character story/aux.csv"),
                fault("a colon", project -> project.put("story/a:b.csv", "x"), "name.character story/a:b.csv"),
                fault("two names that are one", project -> project.put("story/Board.csv", "x"), "name.case-clash story/board.csv"),
                fault("an untitled sheet", project -> project.put("story/untitled_3.csv", "x"),
                        "name.placeholder-name story/untitled_3.csv"),
                fault("a long name", project -> project.put("story/" + "b".repeat(60) + ".csv", "x"),
                        "name.too-long story/" + "b".repeat(60) + ".csv"),
                fault("pinned", project -> links(project, "F:\\A2\\footage\\stall_01.mp4", "file:///F:/A2/footage/stall_02.mp4"),
                        "link.pinned " + V02, "link.pinned " + V02, "location.differs "),
                fault("pinned where it is said to lie", project -> links(project, "E:\\MOV120_A2_Marsh_Ottoline\\footage\\stall_01.mp4"),
                        "link.pinned " + V02),
                fault("outside", project -> links(project, "C:\\Users\\o\\Downloads\\rain.wav"), "link.outside " + V02),
                fault("over the root", project -> links(project, "../../rain.wav"), "link.outside " + V02),
                fault("another project", project -> links(project, "../../MOV120_A1_Marsh_Ottoline/footage/bus.mp4"),
                        "link.other-project " + V02),
                fault("a share", project -> links(project, "\\\\srv\\pool\\rain.wav"), "link.network-share " + V02),
                fault("a temporary folder", project -> links(project, "/tmp/rain.wav"), "link.temporary " + V02),
                fault("moved", project -> links(project, "../story/stall_01.mp4"), "link.moved " + V02),
                fault("missing", project -> links(project, "../footage/never.mp4"), "link.missing " + V02),
                fault("capitals", project -> links(project, "../footage/Stall_01.mp4"), "link.misspelt " + V02),
                fault("backslashes", project -> links(project, "..\\footage\\stall_01.mp4"), "link.misspelt " + V02),
                fault("an encoded blank", project -> links(project, "../footage/stall_01.mp4%20"), "link.misspelt " + V02),
                fault("encoded twice", project -> links(project, "../footage/stall%255F01.mp4"), "link.misspelt " + V02),
                fault("remote", project -> links(project, "https://x.example/a.wav"), "link.remote " + V02),
                fault("a variable", project -> links(project, "$MEDIA/a.wav"), "link.unknown " + V02),
                fault("broken JSON", project -> project.put(V02, "{\"OTIO_SCHEMA\": \"Timeline.1\","), "link.document-unreadable " + V02),
                fault("starter renamed", project -> project.move("sound/market-bell.wav", "sound/bell.wav"),
                        "asset.starter-renamed sound/bell.wav"),
                fault("starter moved", project -> project.move("sound/market-bell.wav", "titles/market-bell.wav"),
                        "asset.starter-moved titles/market-bell.wav"),
                fault("starter gone", project -> project.remove("sound/market-bell.wav"), "asset.starter-missing sound/market-bell.wav"),
                fault("starter changed", project -> project.put("sound/market-bell.wav", SampleProject.wav(8)),
                        "asset.starter-changed sound/market-bell.wav"),
                fault("empty", project -> project.put("footage/stall_01.mp4", new byte[0]), "asset.empty footage/stall_01.mp4"),
                fault("nothing but zeros", project -> project.put("footage/stall_01.mp4", new byte[999]),
                        "package.placeholder footage/stall_01.mp4"),
                fault("a picture called a film", project -> project.put("footage/stall_01.mp4", SampleProject.png(7)),
                        "asset.type-lies footage/stall_01.mp4"),
                fault("a page called a picture", project -> project.put("titles/grain.png", "<!DOCTYPE html><html><body>404</body></html>"),
                        "asset.type-lies titles/grain.png"),
                fault("a picture called a timeline", project -> project.put(V02, SampleProject.png(3)), "asset.type-lies " + V02),
                fault("a take twice", project -> project.put("footage/take.mp4", SampleProject.mp4(1)), "asset.duplicate footage/take.mp4",
                        "asset.unused footage/take.mp4"),
                fault("a shortcut",
                        project -> project.remove("footage/stall_01.mp4").put("footage/stall_01.mp4.lnk",
                                new byte[]{0x4C, 0, 0, 0, 1, 0x14, 2, 0, 7}),
                        "package.shortcut footage/stall_01.mp4.lnk"),
                fault("leftovers", project -> project.put(".DS_Store", "x").put("sound/._hum.wav", "x"), "package.junk .DS_Store",
                        "package.junk sound/._hum.wav"));
    }

    private static String marker(String assignment, String last, String first) {
        return "{\"marker\": 1, \"kit\": {\"title\": \"Night Market Ident\", \"version\": 3}, \"for\": {\"last\": \"%s\", \"first\": \"%s\", \"course\": \"MOV 120\", \"assignment\": \"%s\"}}"
                .formatted(last, first, assignment);
    }

    private static SampleProject links(SampleProject project, String... more) {
        return project.links(Stream
                .concat(Stream.of(more),
                        Stream.of("../footage/stall_01.mp4", "../footage/stall_02.mp4", "../footage/stall_03.mp4",
                                "../sound/market-bell.wav", "../sound/hum.wav", "../titles/titles.svg"))
                .toArray(String[]::new));
    }

    private static Arguments fault(String what, UnaryOperator<SampleProject> plant, String... expected) {
        return arguments(what, plant, List.of(expected));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("faults")
    void isFoundNamedRightAndAlone(String what, UnaryOperator<SampleProject> plant, List<String> expected) throws IOException {
        Path zip = plant.apply(SampleProject.clean()).zip(temp, plant.apply(SampleProject.clean()).root + "/");
        Report report = check(ZipSource.open(zip), request());
        // A clip that only the spoilt timeline linked is unused as a consequence; that is a note, and true.
        List<String> found = codes(report).stream().filter(line -> !line.startsWith("asset.unused") || expected.contains(line)).toList();
        assertThat(found).isEqualTo(expected);
        assertThat(report.findings()).allSatisfy(finding -> {
            assertThat(finding.message()).isNotBlank().doesNotContain("Optional", "null");
            assertThat(finding.remedy()).isNotEmpty();
        });
    }

    static Stream<Arguments> packings() {
        return Stream.of(
                arguments("folder",
                        (Function<Packing, ProjectSource>) packing -> sneaky(() -> new FolderSource(packing.project.folder(packing.temp)))),
                arguments("zip",
                        (Function<Packing, ProjectSource>) packing -> sneaky(
                                () -> ZipSource.open(packing.project.zip(packing.temp, packing.project.root + "/")))),
                arguments("listing with documents",
                        (Function<Packing, ProjectSource>) packing -> sneaky(() -> new ListingSource(packing.project.listing(packing.temp),
                                Optional.of(ZipSource.open(packing.project.zip(packing.temp, "")))))));
    }

    record Packing(SampleProject project, Path temp) {}

    private interface Opening {
        ProjectSource open() throws IOException;
    }

    private static ProjectSource sneaky(Opening opening) {
        try {
            return opening.open();
        } catch (IOException failed) {
            throw new AssertionError(failed);
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("packings")
    void aCleanProjectIsCleanInEveryPacking(String how, Function<Packing, ProjectSource> pack) throws IOException {
        Report report = check(pack.apply(new Packing(SampleProject.clean(), temp)), request());
        assertThat(report.findings()).isEmpty();
        assertThat(report.verdict()).isEqualTo(Verdict.READY);
        assertThat(report.links()).hasSize(10).allSatisfy(link -> assertThat(link.outcome()).isEqualTo("ok"));
    }

    @Test
    void theRootIsFoundHoweverItWasPacked() throws IOException {
        SampleProject project = SampleProject.clean();
        assertThat(codes(check(ZipSource.open(project.zip(temp, "")), request()))).containsExactly("package.no-root ");
        assertThat(codes(check(ZipSource.open(project.zip(temp, SampleProject.ROOT + "/" + SampleProject.ROOT + "/")), request())))
                .containsExactly("package.nested-root ");
        assertThat(codes(check(ZipSource.open(project.zip(temp, "hand in/" + SampleProject.ROOT + "/")), request())))
                .containsExactly("package.nested-root ");
        SampleProject two = SampleProject.clean().move("story", "story");
        Map<String, byte[]> inside = Map.copyOf(two.files);
        two.files.clear();
        inside.forEach((path, content) -> two.files.put(SampleProject.ROOT + "/" + path, content));
        two.put("MOV120_A1_Marsh_Ottoline/edit/old.otio", "{}").put("Take Store/take.wav", "x");
        assertThat(codes(check(ZipSource.open(two.zip(temp, "")), request()))).containsExactly("package.several-roots ");
    }

    /** Without a kit, two projects side by side are known by what they have in common; the folders of one project lie loose. */
    @Test
    void twoProjectsSideBySideAreToldWithoutAKitToo() throws IOException {
        SampleProject two = SampleProject.clean().remove("satchel.kit.json");
        Map<String, byte[]> inside = Map.copyOf(two.files);
        two.files.clear();
        inside.forEach((path, content) -> two.put("first try/" + path, content).put("second try/" + path, content));
        CheckRequest bare = CheckRequest.of(Optional.empty(), RosterFields.NONE);
        assertThat(codes(check(ZipSource.open(two.zip(temp, "")), bare))).contains("package.several-roots ")
                .doesNotContain("package.no-root ");
        assertThat(codes(check(ZipSource.open(SampleProject.clean().zip(temp, "")), bare))).contains("package.no-root ");
    }

    @Test
    void whoseNameItIsComesFromTheRoster() throws IOException {
        RosterFields odile = MARSH.with(RosterField.FIRST, "Odile");
        SampleProject project = SampleProject.clean().named("MOV120_A2_Marsh_Odile");
        assertThat(codes(check(ZipSource.open(project.zip(temp, project.root + "/")), request().amongst(List.of(MARSH, odile)))))
                .containsExactly("name.someone-else ");
        assertThat(codes(check(ZipSource.open(project.zip(temp, project.root + "/")), request()))).containsExactly("name.root ");
    }

    @Test
    void aFriendsKitIsToldByItsMarker() throws IOException {
        RosterFields odile = MARSH.with(RosterField.FIRST, "Odile");
        Path zip = SampleProject.clean().put("satchel.kit.json", marker("A2", "Marsh", "Odile")).zip(temp, SampleProject.ROOT + "/");
        assertThat(codes(check(ZipSource.open(zip), request().amongst(List.of(MARSH, odile)))))
                .containsExactly("name.someone-else satchel.kit.json");
        // Who is on no roster may be the same person under an older name.
        assertThat(codes(check(ZipSource.open(zip), request().amongst(List.of(MARSH))))).isEmpty();
        Path rowans = SampleProject.clean().put("satchel.kit.json", marker("A2", "Kestrel", "Rowan")).zip(temp, SampleProject.ROOT + "/");
        assertThat(codes(check(ZipSource.open(rowans), request()))).as("without a roster")
                .containsExactly("name.someone-else satchel.kit.json");
        assertThat(codes(check(ZipSource.open(zip), request()))).as("a first name alone may have changed").isEmpty();
        RosterFields owl = MARSH.with(RosterField.TEAM, "Owls");
        String team = marker("A2", "Marsh", "Odile").replace("\"last\"", "\"team\": \"Owls\", \"last\"");
        Path shared = SampleProject.clean().put("satchel.kit.json", team).zip(temp, SampleProject.ROOT + "/");
        CheckRequest ofTeam = CheckRequest.of(Optional.of(KIT), owl).located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)))
                .amongst(List.of(owl, odile.with(RosterField.TEAM, "Owls")));
        assertThat(codes(check(ZipSource.open(shared), ofTeam))).isEmpty();
    }

    @Test
    void sealedFoldersAreHeldAgainstTheHandInBefore() throws IOException {
        Report before = check(ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/")), request());
        List<SealedFile> sealed = ReportJson.read(ReportJson.bytes(before)).sealed().orElseThrow().stream().map(Report.SealedLine::file)
                .toList();
        assertThat(sealed).extracting(file -> file.path().text()).containsExactly("footage/stall_01.mp4", "footage/stall_02.mp4",
                "footage/stall_03.mp4");
        CheckRequest again = request().after(sealed);
        assertThat(codes(check(
                ZipSource.open(SampleProject.clean().put("footage/more.mp4", SampleProject.mp4(7)).zip(temp, SampleProject.ROOT + "/")),
                again))).containsExactly("asset.unused footage/more.mp4");
        SampleProject renamed = SampleProject.clean().move("footage/stall_01.mp4", "footage/opening.mp4")
                .timeline("edit/Marsh_A2_v01.otio", "../footage/opening.mp4", "../sound/market-bell.wav")
                .timeline(V02, "../footage/opening.mp4", "../footage/stall_02.mp4", "../footage/stall_03.mp4", "../sound/market-bell.wav",
                        "../sound/hum.wav", "../titles/titles.svg");
        assertThat(codes(check(ZipSource.open(renamed.zip(temp, SampleProject.ROOT + "/")), again)))
                .containsExactly("structure.sealed-touched footage/opening.mp4");
        SampleProject stale = SampleProject.clean().move("footage/stall_01.mp4", "footage/opening.mp4");
        Report broken = check(ZipSource.open(stale.zip(temp, SampleProject.ROOT + "/")), again);
        assertThat(codes(broken)).as("the links that it broke stand under it")
                .containsExactly("structure.sealed-touched footage/opening.mp4");
        assertThat(broken.findings().get(0).consequences().orElseThrow()).hasSize(2);
        assertThat(codes(check(
                ZipSource.open(SampleProject.clean().put("footage/stall_01.mp4", SampleProject.mp4(8)).zip(temp, SampleProject.ROOT + "/")),
                again))).containsExactly("structure.sealed-touched footage/stall_01.mp4");
        List<SealedFile> kept = broken.sealed().orElseThrow().stream().map(Report.SealedLine::file).toList();
        assertThat(kept).as("what was there first is what counts").isEqualTo(sealed);
        SampleProject anew = SampleProject.clean();
        for (int i = 1; i <= 3; i++) {
            anew.put("footage/stall_0" + i + ".mp4", SampleProject.mp4(20 + i));
        }
        assertThat(codes(check(ZipSource.open(anew.zip(temp, SampleProject.ROOT + "/")), again))).as("a folder that was filled anew")
                .isEmpty();
        // From a folder nothing is known but the size: that is no proof.
        assertThat(codes(check(new FolderSource(SampleProject.clean().folder(temp.resolve("f"))), again))).isEmpty();
    }

    @Test
    void aRequiredCompanionHasToLieBesideTheRoot() throws IOException {
        Kit kit = KitReader
                .read(SampleProject.kit()
                        .replace("\"purpose\": \"Program\", \"need\": \"optional\", \"managed\": true}]",
                                "\"purpose\": \"Program\", \"need\": \"required\", \"managed\": true}]")
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        CheckRequest request = CheckRequest.of(Optional.of(kit), MARSH)
                .located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)));
        assertThat(codes(check(ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/")), request)))
                .containsExactly("structure.companion-missing ");
        SampleProject beside = SampleProject.clean();
        Map<String, byte[]> inside = Map.copyOf(beside.files);
        beside.files.clear();
        inside.forEach((path, content) -> beside.files.put(SampleProject.ROOT + "/" + path, content));
        assertThat(codes(check(ZipSource.open(beside.put("Take Store/take.wav", "x").zip(temp, "")), request))).isEmpty();
    }

    @Test
    void whatIsTooDeepForARequiredMachineIsToldOnce() throws IOException {
        String deep = "story/" + "a_rather_long_name_of_a_folder/".repeat(8);
        SampleProject project = SampleProject.clean().put(deep + "b.csv", "x").put(deep + "c/d.csv", "y").put("story/short/e.csv", "z");
        List<String> found = codes(check(ZipSource.open(project.zip(temp, SampleProject.ROOT + "/")), request()));
        assertThat(found).filteredOn(line -> !line.startsWith("structure.folder-other"))
                .containsExactly("structure.too-deep " + deep.substring(0, deep.length() - 1));
    }

    @Test
    void aTeamWorksUnderOneName() throws IOException {
        Path zip = SampleProject.clean().zip(temp, SampleProject.ROOT + "/");
        assertThat(codes(
                check(ZipSource.open(zip), request().teamed(List.of(new TeamLocation("Odile", "/Volumes/STICK/" + SampleProject.ROOT))))))
                .isEmpty();
        assertThat(codes(check(ZipSource.open(zip), request().teamed(List.of(new TeamLocation("Odile", "/Volumes/STICK/film_new"))))))
                .containsExactly("location.team-differs ");
    }

    /** What does not open on a machine that the kit names is as bad as what opens nowhere; a kit that says otherwise is heard. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"../footage/Stall_01.mp4 | [] | should", "../footage/Stall_01.mp4 | [\"lab-windows\"] | should",
            "../footage/Stall_01.mp4 | [\"lab-windows\", \"render-linux\"] | must",
            "..\\footage\\stall_01.mp4 | [\"lab-windows\"] | should", "..\\footage\\stall_01.mp4 | [\"lab-mac\"] | must",
            "../footage/stall_01.mp4%20 | [\"lab-linux\"] | must"})
    void aMisspeltLinkWeighsByTheMachinesItHasToOpenOn(String link, String machines, String severity) throws IOException {
        String plan = SampleProject.kit().replace("[\"lab-windows\", \"render-linux\"]", machines);
        Kit kit = KitReader.read(plan.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        Path zip = links(SampleProject.clean(), link).zip(temp, SampleProject.ROOT + "/");
        CheckRequest request = CheckRequest.of(Optional.of(kit), MARSH)
                .located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)));
        assertThat(check(ZipSource.open(zip), request).findings()).extracting(finding -> finding.code() + " " + finding.severity())
                .containsExactly("link.misspelt " + severity);
        Kit milder = KitReader.read(plan.replace("\"machines\"", "\"severities\": {\"link.misspelt\": \"note\"}, \"machines\"")
                .getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        CheckRequest lenient = CheckRequest.of(Optional.of(milder), MARSH)
                .located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)));
        assertThat(check(ZipSource.open(zip), lenient).findings()).extracting(finding -> finding.code() + " " + finding.severity())
                .containsExactly("link.misspelt note");
    }

    @Test
    void whatCannotBeJudgedIsNamed() throws IOException {
        String plan = SampleProject.kit()
                .replace("\"types\": [\"mp4\"], \"need\": \"required\"}",
                        "\"types\": [\"mp4\"], \"need\": \"required\", \"media\": {\"width\": 1920}}")
                .replace("\"machines\"",
                        "\"steps\": [{\"title\": \"Look\", \"text\": \"Look twice.\", \"confirm\": true}], \"points\": {\"total\": 4, \"structure\": 1, \"names\": 1, \"links\": 1, \"assets\": 1}, \"machines\"");
        var reading = KitReader.read(plan.getBytes(StandardCharsets.UTF_8));
        Kit kit = reading.kit().orElseThrow(() -> new AssertionError(reading.faults()));
        Report report = check(ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/")),
                CheckRequest.of(Optional.of(kit), MARSH).located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT))));
        assertThat(report.notChecked()).containsExactly("media", "steps");
        // The film of a sample project is none that says what it is.
        assertThat(report.findings()).extracting(finding -> finding.code() + " " + finding.severity())
                .containsExactly("media.not-judged note");
        // Where the student was asked, what they did not confirm is told.
        CheckRequest asked = CheckRequest.of(Optional.of(kit), MARSH)
                .located(Optional.of(ProjectLocation.of("E:\\" + SampleProject.ROOT)));
        Report open = check(ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/")), asked.confirmed(Set.of()));
        assertThat(open.findings()).filteredOn(finding -> finding.code().startsWith("habit."))
                .extracting(finding -> finding.code() + " " + finding.severity() + " " + finding.message())
                .containsExactly("habit.step-open note “Look” is not confirmed.");
        assertThat(open.notChecked()).containsExactly("media");
        Report done = check(ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/")),
                asked.confirmed(Set.of(kit.steps().get(0).key())));
        assertThat(done.findings()).extracting(Report.FindingLine::code).containsExactly("media.not-judged");
    }

    @Test
    void aCompanionBesideTheRootIsInside() throws IOException {
        SampleProject project = SampleProject.clean().links("../../Take Store/take.wav", "../../Take Store/gone.wav");
        Map<String, byte[]> inside = Map.copyOf(project.files);
        project.files.clear();
        inside.forEach((path, content) -> project.files.put(SampleProject.ROOT + "/" + path, content));
        project.put("Take Store/take.wav", "x");
        Report report = check(ZipSource.open(project.zip(temp, "")), request());
        assertThat(report.links()).filteredOn(link -> link.text().contains("Take Store")).extracting(Report.LinkLine::outcome)
                .containsExactly("ok", "missing");
    }

    @Test
    void withoutDocumentsLinksAreNotChecked() throws IOException {
        Path listing = SampleProject.clean().listing(temp);
        Report report = check(new ListingSource(listing, Optional.empty()), request().withDocuments(false));
        assertThat(report.notChecked()).containsExactly("links");
        assertThat(report.findings()).isEmpty();
    }

    @Test
    void aSequenceIsASetAndItsGapsAreRanges() throws IOException {
        SampleProject project = SampleProject.clean();
        for (int i : new int[]{1, 2, 5, 6, 7, 9}) {
            project.put("shots/one/shot.000" + i + ".png", SampleProject.png(100 + i));
        }
        project.put("shots/two/a.txt", "x");
        String duration = "{\"duration\": {\"value\": 9, \"rate\": 24}}";
        project.put("edit/Marsh_A2_v03.otio",
                "{\"OTIO_SCHEMA\": \"ImageSequenceReference.1\", \"target_url_base\": \"../shots/one\", \"name_prefix\": \"shot.\", \"name_suffix\": \".png\", "
                        + "\"start_frame\": 1, \"frame_step\": 1, \"rate\": 24, \"frame_zero_padding\": 4, \"available_range\": " + duration
                        + "}");
        Report report = check(ZipSource.open(project.zip(temp, SampleProject.ROOT + "/")), request());
        assertThat(codes(report)).containsExactly("link.sequence-gap edit/Marsh_A2_v03.otio");
        assertThat(report.links()).filteredOn(link -> link.gaps().isPresent()).singleElement()
                .satisfies(link -> assertThat(link.gaps().get()).containsExactly("0003-0004", "0008"));
    }

    @Test
    void theSameInputGivesTheSameBytes() throws IOException {
        Path zip = links(SampleProject.clean(), "F:\\A2\\footage\\stall_01.mp4", "x", "C:/y.mp4").zip(temp, SampleProject.ROOT + "/");
        byte[] first = ReportJson.bytes(check(ZipSource.open(zip), request()));
        assertThat(ReportJson.bytes(check(ZipSource.open(zip), request()))).isEqualTo(first);
        assertThat(ReportJson.bytes(ReportJson.read(first))).isEqualTo(first);
    }

    @Test
    void aKitRaisesLowersAndSwitchesOff() throws IOException {
        String changed = SampleProject.kit().replace("\"machines\"",
                "\"severities\": {\"link.misspelt\": \"must\", \"name.space\": \"off\"}, \"links\": {\"missing\": \"note\"}, \"machines\"");
        Kit kit = KitReader.read(changed.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        Path zip = links(SampleProject.clean(), "../Footage/stall_01.mp4", "../footage/none.mp4").put("story/a b.csv", "x").zip(temp,
                SampleProject.ROOT + "/");
        Report report = check(ZipSource.open(zip), CheckRequest.of(Optional.of(kit), MARSH).located(
                Optional.of(new ProjectLocation(Optional.empty(), Optional.of(StorageKind.REMOVABLE), "E:\\" + SampleProject.ROOT))));
        assertThat(report.findings()).extracting(finding -> finding.code() + " " + finding.severity()).containsExactly("link.misspelt must",
                "link.missing note");
    }

    @Test
    void findingsOfOneCodeAreBounded() throws IOException {
        SampleProject project = SampleProject.clean();
        project.links(Stream.iterate(1, i -> i + 1).limit(1_200).map(i -> "../footage/none" + i + ".mp4").toArray(String[]::new));
        Report report = check(ZipSource.open(project.zip(temp, SampleProject.ROOT + "/")), request());
        assertThat(report.findings()).filteredOn(finding -> finding.code().equals("link.missing")).hasSize(1_001)
                .anySatisfy(finding -> assertThat(finding.message()).contains("200 more"));
    }

    @Test
    void namesInTheFolderAreNeverMistakenForPathsOfThisMachine() throws IOException {
        Path folder = SampleProject.clean().folder(temp);
        Files.createSymbolicLink(folder.resolve("footage/passwd.mp4"), Path.of("/etc/passwd"));
        Report report = check(new FolderSource(folder), request());
        assertThat(codes(report)).containsExactly("package.shortcut footage/passwd.mp4");
    }
}
