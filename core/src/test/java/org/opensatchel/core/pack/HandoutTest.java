package org.opensatchel.core.pack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.PlannedPaths;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.words.Words;
import tools.jackson.databind.node.ObjectNode;

/** Hand-outs, updates and kit packages: the same bytes each time, and readable by every unpacker. */
class HandoutTest {

    private static final RosterFields SEAFRA = student("Ó Duibhne", "Séafra");
    private static final StarterContents BELL = file -> new ByteArrayInputStream(SampleProject.BELL);
    private static final String ROOT = "MOV120_A2_ÓDuibhne_Séafra";

    @TempDir
    Path temp;

    @Test
    void aGuideNamesWhatIsTheirsAndNoPattern() {
        Kit kit = KitReader.read(
                ("{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"{last}\"}, \"folders\": [{\"path\": \"{last}/{word}\", \"purpose\": \"p\"}, "
                        + "{\"path\": \"no_{word}\", \"need\": \"forbidden\"}], \"documents\": [{\"role\": \"timeline\", \"in\": \"{last}/{word}\", \"name\": \"{last}_v{version:2}_{text}\", \"types\": [\"otio\"]}]}")
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        String guide = new String(Handout.of(kit, "0".repeat(64), student("Marsh", "Ottoline")).orElseThrow().guide(),
                StandardCharsets.UTF_8);
        assertThat(guide.substring(guide.indexOf("<body"))).contains("Marsh/lantern/Marsh_v01_lantern.otio", "for example")
                .doesNotContain("{");
        assertThat(PlannedPaths.of(kit, student("Marsh", "Ottoline"))).extracting(PlannedPaths.Planned::path)
                .containsExactly("Marsh/lantern", "Marsh/lantern/Marsh_v01_lantern.otio");
    }

    @Test
    void theSameKitForTheSameStudentIsTheSameBytes() throws IOException {
        assertThat(written(kit(), SEAFRA)).isEqualTo(written(kit(), SEAFRA)).isNotEqualTo(written(kit(), student("Marsh", "Ottoline")));
    }

    @Test
    void emptyFoldersAndStarterFilesAreThere() throws IOException {
        Path zip = Files.write(temp.resolve("kit.zip"), written(kit(), SEAFRA));
        try (ZipFile file = new ZipFile(zip.toFile(), StandardCharsets.UTF_8)) {
            List<String> names = file.stream().map(ZipEntry::getName).toList();
            assertThat(names).doesNotHaveDuplicates().allMatch(name -> name.startsWith(ROOT + "/"));
            assertThat(names)
                    .contains(ROOT + "/footage/", ROOT + "/edit/autosave/", ROOT + "/sound/market-bell.wav",
                            ROOT + "/sound/Glocke für Séafra.wav", ROOT + "/START-HERE.html", ROOT + "/satchel.kit.json")
                    .doesNotContain(ROOT + "/scrap/", ROOT + "/shots/{word}/");
            assertThat(JsonDocuments.MAPPER.readTree(file.getInputStream(file.getEntry(ROOT + "/satchel.kit.json")).readAllBytes())
                    .at("/for/last").stringValue()).isEqualTo("Ó Duibhne");
        }
    }

    /** What other people unpack with; where a program is not installed there is nothing to test. */
    @ParameterizedTest
    @ValueSource(strings = {"unzip -q ZIP -d OUT", "python3 -m zipfile -e ZIP OUT", "7z x -bd -y -oOUT ZIP", "7zz x -bd -y -oOUT ZIP"})
    void everyUnpackerReadsTheNames(String command) throws Exception {
        Path zip = Files.write(temp.resolve("kit.zip"), written(kit(), SEAFRA));
        Path out = Files.createDirectories(temp.resolve("out"));
        String program = command.substring(0, command.indexOf(' '));
        assumeThat(Stream.of(System.getenv("PATH").split(":")).anyMatch(folder -> Files.isExecutable(Path.of(folder, program)))).as(program)
                .isTrue();
        ProcessBuilder builder = new ProcessBuilder(command.replace("ZIP", zip.toString()).replace("OUT", out.toString()).split(" "))
                .redirectErrorStream(true).redirectOutput(temp.resolve("log").toFile());
        builder.environment().put("LC_ALL", "C.UTF-8");
        Process process = builder.start();
        assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).as(Files.readString(temp.resolve("log"), StandardCharsets.ISO_8859_1)).isZero();
        assertThat(Files.isDirectory(out.resolve(ROOT + "/edit/autosave"))).isTrue();
        assertThat(out.resolve(ROOT + "/sound/Glocke für Séafra.wav")).hasBinaryContent(SampleProject.BELL);
    }

    @Test
    void theGuideIsInTheKitsWordsWithTheStudentsName() throws IOException {
        String guide = new String(Handout.of(kit(), "0".repeat(64), student("<b>Marsh & Sons", "Ottoline")).orElseThrow().guide(),
                StandardCharsets.UTF_8);
        assertThat(guide).contains("&lt;b&gt;Marsh &amp; Sons", "a disk inside the computer", "Downloads", "Clips",
                "as it came: rename, move and change nothing in it", "_A2_v01.otio", "_A2_final.mp4", "They hold no spaces", "scrap")
                .doesNotContain("<b>Marsh", "http:", "https:", "<script", "null");
    }

    @Test
    void theGuideSpeaksGerman() {
        String guide = new String(
                Handout.of(kit(), "0".repeat(64), student("Marsh", "Ottoline"), Words.in(Locale.GERMAN)).orElseThrow().guide(),
                StandardCharsets.UTF_8);
        assertThat(guide).contains("lang=\"de\"", "Wohin dieser Ordner gehört", "Nicht dorthin legen: Schreibtisch", "Kit-Version",
                "Was geprüft wird").doesNotContain("Keep the whole folder");
    }

    @Test
    void aStarterFileOfAnotherLengthIsNoHandOut() {
        Handout handout = Handout.of(kit(), "0".repeat(64), SEAFRA).orElseThrow();
        assertThatThrownBy(() -> handout.write(new ByteArrayOutputStream(), file -> new ByteArrayInputStream(new byte[3])))
                .isInstanceOf(IOException.class);
    }

    @Test
    void anUpdateBringsWhatIsNewAndNothingTheStudentMayHaveChanged() throws IOException {
        Kit held = kit("keep keep.wav 1", "edit notes.txt 1", "keep gone.wav 1");
        Kit newer = kit("keep keep.wav 2", "edit notes.txt 2", "keep fresh.wav 1");
        KitUpdate update = KitUpdate.between(held, newer);
        assertThat(update.fresh()).extracting(file -> file.path().text()).containsExactly("keep.wav", "fresh.wav");
        assertThat(update.kept()).extracting(file -> file.path().text()).containsExactly("notes.txt");
        assertThat(update.gone()).extracting(file -> file.path().text()).containsExactly("gone.wav");
        assertThat(KitUpdate.between(held, held).isEmpty()).isTrue();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Handout.of(newer, "0".repeat(64), SEAFRA).orElseThrow().writeChanged(out, BELL, update);
        Path zip = Files.write(temp.resolve("update.zip"), out.toByteArray());
        try (ZipFile file = new ZipFile(zip.toFile())) {
            assertThat(new TreeSet<>(file.stream().map(ZipEntry::getName).filter(name -> !name.endsWith("/")).toList()))
                    .containsExactly(ROOT + "/START-HERE.html", ROOT + "/fresh.wav", ROOT + "/keep.wav", ROOT + "/satchel.kit.json");
        }
    }

    @Test
    void aPackageComesBackAsItWas() throws IOException {
        Path file = packed();
        try (KitPackage read = KitPackage.open(file, ReadLimits.DEFAULT).kitPackage().orElseThrow()) {
            assertThat(org.opensatchel.core.kit.KitWriter.write(read.kit())).isEqualTo(org.opensatchel.core.kit.KitWriter.write(kit()));
            assertThat(read.open(read.kit().starter().get(1)).readAllBytes()).isEqualTo(SampleProject.BELL);
        }
        assertThat(packed()).hasBinaryContent(Files.readAllBytes(file));
    }

    @Test
    void foreignAndDamagedPackagesAreRefusedWithTheReason() throws IOException {
        assertThat(refusal(Files.writeString(temp.resolve("text"), "no archive"))).contains("no ZIP");
        assertThat(refusal(zip("readme.txt", "x"))).contains("no kit package");
        assertThat(refusal(zip("kit.json", "{\"kit\": 2}"))).contains("kit.json").contains("\"kit\": 1");
        assertThat(refusal(zip("kit.json", SampleProject.kit()))).contains("“sound/market-bell.wav” is not in the package");
        assertThat(refusal(zip("kit.json", SampleProject.kit(), "starter/sound/market-bell.wav", "other"))).contains("its content differs");
        assertThat(refusal(zip("kit.json", "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"r\"}}", "starter/more.txt", "x")))
                .contains("does not belong");
        assertThat(refusal(zip("kit.json", "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"r\"}}", "../up.txt", "x")))
                .contains("up.txt");
    }

    /** No cut and no changed byte of a package is taken for the package. */
    @Test
    void noDamageIsOverlooked() throws IOException {
        byte[] whole = Files.readAllBytes(packed());
        Kit kit = kit();
        for (int at = 0; at < whole.length; at += 37) {
            byte[] changed = whole.clone();
            changed[at] ^= 0x55;
            Path file = Files.write(temp.resolve("damaged"), changed);
            KitPackage.Reading reading = KitPackage.open(file, ReadLimits.DEFAULT);
            if (reading.kitPackage().isPresent()) {
                try (KitPackage read = reading.kitPackage().get()) {
                    assertThat(org.opensatchel.core.kit.KitWriter.write(read.kit())).as("byte " + at)
                            .isEqualTo(org.opensatchel.core.kit.KitWriter.write(kit));
                }
            } else {
                assertThat(reading.faults()).isNotEmpty();
            }
        }
        assertThat(KitPackage.open(Files.write(temp.resolve("cut"), java.util.Arrays.copyOf(whole, whole.length / 2)), ReadLimits.DEFAULT)
                .kitPackage()).isEmpty();
    }

    private String refusal(Path file) throws IOException {
        KitPackage.Reading reading = KitPackage.open(file, ReadLimits.DEFAULT);
        assertThat(reading.kitPackage()).isEmpty();
        return String.join(" ", reading.faults().stream().map(Words.ENGLISH::text).toList());
    }

    private Path packed() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        KitPackage.write(kit(), BELL, out);
        Path file = Files.createTempFile(temp, "kit", ".satchelkit");
        Files.copy(new ByteArrayInputStream(out.toByteArray()), file, StandardCopyOption.REPLACE_EXISTING);
        return file;
    }

    private Path zip(String... entries) throws IOException {
        Path file = Files.createTempFile(temp, "made", ".zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            for (int i = 0; i < entries.length; i += 2) {
                zip.putNextEntry(new ZipEntry(entries[i]));
                zip.write(entries[i + 1].getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return file;
    }

    private static byte[] written(Kit kit, RosterFields fields) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Handout.of(kit, "0".repeat(64), fields).orElseThrow().write(out, BELL);
        return out.toByteArray();
    }

    private static Kit kit() {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        document.get("starter").asArray().addObject().put("path", "sound/Glocke für Séafra.wav")
                .put("sha256", SampleProject.sha256(SampleProject.BELL)).put("bytes", SampleProject.BELL.length);
        return KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit().orElseThrow();
    }

    private static Kit kit(String... starters) {
        List<String> files = new ArrayList<>();
        for (String starter : starters) {
            String[] words = starter.split(" ");
            files.add("{\"path\": \"" + words[1] + "\", \"sha256\": \"" + words[2].repeat(64) + "\", \"bytes\": "
                    + SampleProject.BELL.length + ", \"treat\": \"" + words[0] + "\"}");
        }
        String json = "{\"kit\": 1, \"title\": \"t\", \"root\": {\"name\": \"{course}_{assignment}_{last}_{first}\"}, \"starter\": ["
                + String.join(",", files) + "]}";
        return Optional.of(KitReader.read(json.getBytes(StandardCharsets.UTF_8))).flatMap(reading -> reading.kit()).orElseThrow();
    }

    private static RosterFields student(String last, String first) {
        return new RosterFields(new EnumMap<>(
                Map.of(RosterField.LAST, last, RosterField.FIRST, first, RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2")));
    }

    @ParameterizedTest
    @CsvSource({"..,leads to another folder", ".,leads to another folder", "CON,is a device", "con.txt,is a device", "x.,ends in a dot"})
    void aNameThatIsNoFolderIsRefusedBeforeAnythingIsWritten(String last, String says) {
        Kit kit = KitReader
                .read("{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"{last}\"}, \"folders\": [{\"path\": \"work/{last}\"}]}"
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        RosterFields fields = new RosterFields(Map.of(RosterField.LAST, last));
        assertThat(Handout.of(kit, "0".repeat(64), fields)).isEmpty();
        assertThat(Words.ENGLISH.text(Handout.refusal(kit, fields).orElseThrow())).contains("“" + last + "”").contains(says);
        assertThat(Words.ENGLISH.text(Handout.refusal(kit, new RosterFields(Map.of(RosterField.LAST, "x".repeat(300)))).orElseThrow()))
                .contains("longer than any system takes");
    }

    @ParameterizedTest
    @ValueSource(strings = {"../a.txt", "/a.txt", "a//b.txt", "C:/a.txt", "a/./b", "a\\b", "nul", "a\u0000b", "a/\u202Eb.txt", ""})
    void noWriterOfArchivesTakesAPathThatLeadsElsewhere(String path) throws IOException {
        try (ZipWriter zip = new ZipWriter(OutputStream.nullOutputStream(), true)) {
            assertThatThrownBy(() -> zip.file(path, new byte[0])).isInstanceOf(IOException.class);
            assertThatThrownBy(() -> zip.folder(path)).isInstanceOf(IOException.class);
            assertThatThrownBy(() -> zip.file(path, out -> {})).isInstanceOf(IOException.class);
            assertThatThrownBy(() -> zip.file(path, InputStream.nullInputStream(), 0)).isInstanceOf(IOException.class);
        }
    }
}
