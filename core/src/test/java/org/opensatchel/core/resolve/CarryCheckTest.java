package org.opensatchel.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.MachineReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report;

/** Each kind of link on each machine, and each kind of file. */
class CarryCheckTest {

    private static final List<Machine> ALL = Machine.SHIPPED;

    @TempDir
    Path temp;

    /** Which of the shipped machines a link opens on, in their order: windows mac linux fat32 exfat render instructor. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            pics/lamp.png                        | yyyyyyy
            pics/é.png                           | yyyyyyy
            Pics/Lamp.png                        | yynyyny
            pics/e%CC%81.png                     | nynnnyy
            pics\\lamp.png                       | ynnyynn
            pics/lamp.png%20                     | ynnyynn
            gone.png                             | nnnnnnn
            lamp.png                             | nnnnnnn
            https://example.org/a.png            | yyynnny
            file:///E:/Lamp/pics/lamp.png        | ynnyynn
            file:///Volumes/PROJECTS/Lamp/pics/lamp.png | nynnnnn
            file:///srv/render/Lamp/pics/lamp.png | nnnnnyn
            file:///C:/Users/mara/a.png          | nnnnnnn
            file://server/share/a.png            | yyynnyy
            /pics/lamp.png                       | nnnnnnn
            data:,x                              | yyyyyyy
            """)
    void linksOpenWhereTheyCan(String link, String machines) throws IOException {
        Path project = Files.createDirectories(temp.resolve("Lamp/pics"));
        Files.writeString(project.resolve("lamp.png"), "x");
        Files.writeString(project.resolve("é.png"), "x");
        Files.writeString(temp.resolve("Lamp/page.html"), "<img src=\"" + link + "\">");
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE).carriedTo(ALL))
                .run(new FolderSource(temp.resolve("Lamp")));
        String opened = String.join("",
                report.carry().orElseThrow().stream().map(machine -> machine.opens() == 1 && machine.breaks() == 0 ? "y" : "n").toList());
        assertThat(opened).as("%s", report.carry()).isEqualTo(machines);
        assertThat(report.carry().orElseThrow()).allMatch(
                machine -> machine.opens() + machine.breaks() == report.links().size() && machine.links().size() == machine.breaks());
    }

    /** Which files of a listing cannot be on a machine. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            lab-windows  | ab:c.png=1 aux.txt=1 ok.png=1 dot.=1      | ab:c.png, aux.txt, dot.
            lab-linux    | ab:c.png=1 aux.txt=1 ok.png=1 dot.=1      |
            lab-mac      | ab:c.png=1 aux.txt=1                      | ab:c.png
            lab-windows  | a.png=1 A.png=1 b/x.png=1 B/y.png=1      | a.png
            lab-linux    | a.png=1 A.png=1                          |
            render-linux | \u00e9.png=1 e\u0301.png=1              | \u00e9.png
            lab-linux    | \u00e9.png=1 e\u0301.png=1              |
            drive-fat32  | big.mov=4294967296 small.mov=4294967295  | big.mov
            drive-exfat  | big.mov=4294967296                       |
            """)
    void filesAreWhereTheyCanBe(String machine, String files, String refused) throws IOException {
        Map<String, Long> entries = new TreeMap<>();
        Arrays.stream(files.split(" ")).forEach(
                file -> entries.put(file.substring(0, file.lastIndexOf('=')), Long.parseLong(file.substring(file.lastIndexOf('=') + 1))));
        assertThat(refused(Machine.shipped(machine).orElseThrow(), entries))
                .isEqualTo(refused == null ? List.of() : List.of(refused.split(", ")));
    }

    @Test
    void lengthsAreCountedAsTheSystemCountsThem() throws IOException {
        String accents = "é".repeat(128) + ".png";
        assertThat(refused(Machine.shipped("lab-linux").orElseThrow(), Map.of(accents, 1L))).as("260 bytes").containsExactly(accents);
        assertThat(refused(Machine.shipped("lab-mac").orElseThrow(), Map.of(accents, 1L))).isEmpty();
        String deep = "folder-of-twenty-six-chars/".repeat(9) + "file.png";
        assertThat(refused(Machine.shipped("lab-windows").orElseThrow(), Map.of(deep, 1L))).isEmpty();
        assertThat(refused(Machine.shipped("lab-windows").orElseThrow(), Map.of("x" + deep + "0123456789", 1L))).hasSize(1);
        Machine short1 = MachineReader
                .read("{\"machine\": 1, \"name\": \"s\", \"system\": \"linux\", \"maxName\": 8}".getBytes(StandardCharsets.UTF_8)).machine()
                .orElseThrow();
        assertThat(refused(short1, Map.of("12345678", 1L, "123456789", 1L))).containsExactly("123456789");
    }

    @Test
    void aLinkToAFileThatCannotBeThereBreaks() throws IOException {
        Path project = Files.createDirectories(temp.resolve("Lamp"));
        Files.writeString(project.resolve("aux.png"), "x");
        Files.writeString(project.resolve("page.html"), "<img src=aux.png>");
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE).carriedTo(ALL.subList(0, 2)))
                .run(new FolderSource(project));
        assertThat(report.carry().orElseThrow().get(0).links()).singleElement()
                .satisfies(broken -> assertThat(broken.why()).contains("“aux.png” cannot be there", "a device to Windows"));
        assertThat(report.carry().orElseThrow().get(1).breaks()).isZero();
    }

    @Test
    void theKitsMachinesAreTakenWhereNoneIsNamed() throws IOException {
        var kit = KitReader
                .read("{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"Lamp\"}, \"machines\": [\"render-linux\", \"lab-mac\"]}"
                        .getBytes(StandardCharsets.UTF_8))
                .kit();
        Path project = Files.createDirectories(temp.resolve("Lamp"));
        Files.writeString(project.resolve("page.html"), "x");
        CheckRequest request = CheckRequest.of(kit, RosterFields.NONE);
        assertThat(new ProjectCheck(request).run(new FolderSource(project)).carry().orElseThrow()).extracting(Report.CarryLine::machine)
                .containsExactly("render-linux", "lab-mac");
        assertThat(new ProjectCheck(request.carriedTo(ALL.subList(0, 1))).run(new FolderSource(project)).carry().orElseThrow())
                .extracting(Report.CarryLine::machine).containsExactly("lab-windows");
        assertThat(new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(new FolderSource(project)).carry()).isEmpty();
    }

    private List<String> refused(Machine machine, Map<String, Long> files) throws IOException {
        String entries = String.join(",", files.entrySet().stream()
                .map(file -> "{\"path\": \"" + file.getKey() + "\", \"bytes\": " + file.getValue() + "}").toList());
        Path listing = Files.writeString(temp.resolve("l.json"), "{\"listing\": 1, \"root\": \"Lamp\", \"files\": [" + entries + "]}");
        try (ProjectSource source = new ListingSource(listing, Optional.empty())) {
            Report report = new ProjectCheck(
                    CheckRequest.of(Optional.empty(), RosterFields.NONE).carriedTo(List.of(machine)).withDocuments(false)).run(source);
            return report.carry().orElseThrow().get(0).files().stream().map(Report.CarryFileLine::path).toList();
        }
    }
}
