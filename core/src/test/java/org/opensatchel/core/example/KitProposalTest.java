package org.opensatchel.core.example;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.words.Words;

/** A plan proposed from an example says what is in it, and the example fits it. */
class KitProposalTest {

    private static final RosterFields MARSH = new RosterFields(
            Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline", RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));

    @TempDir
    Path temp;

    @Test
    void theCleanProjectGivesItsOwnPlan() throws IOException {
        Kit kit = propose(SampleProject.clean().folder(temp), RosterFields.NONE);
        assertThat(kit.root().text()).isEqualTo("{course}_{assignment}_{last}_{first}");
        assertThat(kit.folders().stream()
                .map(rule -> rule.path().text() + " " + rule.need().word() + (rule.managed() ? " managed" : "") + " " + rule.accepts())
                .toList()).containsExactly(
                        "delivery required [mov, mp4]", "edit required [otio]", "edit/autosave optional managed []",
                        "footage required [mov, mp4]", "sound required [flac, wav]", "story required [csv]",
                        "titles required [exr, jpg, png, svg, tif]");
        assertThat(kit.documents()).singleElement().satisfies(rule -> assertThat(rule.in() + " " + rule.name().text() + " " + rule.types())
                .isEqualTo("edit {last}_{assignment}_v{version:2} [otio]"));
        assertThat(kit.files()).singleElement()
                .satisfies(rule -> assertThat(rule.in() + " " + rule.name().text()).isEqualTo("delivery {last}_{assignment}_final"));
        assertThat(kit.nameRules().spaces()).as("autosave holds names with spaces").isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            shots/s01, shots/s02, shots/s03                | shots, shots/s{number:2}
            shots/s01, shots/s02                           | shots, shots/s01, shots/s02
            ep1/cut, ep2/cut, ep3/cut                      | ep{number:1}, ep{number:1}/cut
            shots/arrival, shots/lantern, shots/rain       | shots, shots/{word}
            2026-03-01, 2026-03-02, 2026-03-09             | {date}
            render_v01, render_v02                         | render_v{version:2}
            """)
    void foldersOfOneSeriesAreOneRule(String folders, String rules) throws IOException {
        Path project = Files.createDirectories(temp.resolve("Lamp"));
        for (String folder : folders.split(", ")) {
            Files.write(Files.createDirectories(project.resolve(folder)).resolve("plate.png"), SampleProject.png(1));
        }
        assertThat(propose(project, RosterFields.NONE).folders().stream().map(rule -> rule.path().text()).toList())
                .containsExactly(rules.split(", "));
    }

    @ParameterizedTest
    @CsvSource({"MOV120_A2_Marsh_Ottoline,{course}_{assignment}_{last}_{first}", "Marsh Ottoline A2,{last} {first} {assignment}",
            "Kettle,{course}_{assignment}_{last}_{first}",
            "Art_Cartoon_A2,{last}_{first}_{assignment}", "New Folder,{course}_{assignment}_{last}_{first}"})
    void theRootIsGeneralisedOnlyWhereItTellsAStudent(String name, String pattern) throws IOException {
        Path project = Files.createDirectories(temp.resolve(name));
        Files.write(Files.createDirectories(project.resolve("stills")).resolve("a.png"), SampleProject.png(1));
        assertThat(propose(project, RosterFields.NONE).root().text()).isEqualTo(pattern);
    }

    @Test
    void whatIsKnownOfTheStudentIsAFieldEverywhereAndNowhereElse() throws IOException {
        Path project = Files.createDirectories(temp.resolve("A2-marsh"));
        Files.write(Files.createDirectories(project.resolve("stills")).resolve("Marsh_poster.png"), SampleProject.png(1));
        Files.write(project.resolve("stills/Marshland.png"), SampleProject.png(2));
        Kit kit = propose(project, MARSH);
        assertThat(kit.files()).singleElement().satisfies(rule -> assertThat(rule.name().text()).isEqualTo("{last}_poster"));
    }

    /** Whatever a folder looks like, the plan made from it is a kit, and nothing the student did is faulted by it. */
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 5, 8, 13, 21, 34, 55, 89, 144, 233})
    void theExampleFitsWhatWasProposedFromIt(long seed) throws IOException {
        Random random = new Random(seed);
        Path project = Files.createDirectories(temp.resolve("MOV120_A2_Marsh_Ottoline"));
        List<String> words = List.of("sound", "shots", "s01", "s02", "s03", "s10", "Ünder", "o'clock", "a b", "v01", "x{y}", "2026-01-02",
                "Marsh", "autosave", "refs");
        List<String> types = List.of("png", "wav", "mp4", "txt", "");
        for (int i = 0; i < 40; i++) {
            Path folder = project;
            for (int depth = random.nextInt(4); depth > 0; depth--) {
                folder = folder.resolve(words.get(random.nextInt(words.size())));
            }
            String type = types.get(random.nextInt(types.size()));
            String name = words.get(random.nextInt(words.size())) + "_" + words.get(random.nextInt(words.size()))
                    + (type.isEmpty() ? "" : "." + type);
            byte[] content = switch (type) {
                case "png" -> SampleProject.png(i);
                case "wav" -> SampleProject.wav(i);
                case "mp4" -> SampleProject.mp4(i);
                default -> ("text " + i).getBytes(java.nio.charset.StandardCharsets.UTF_8);
            };
            Files.write(Files.createDirectories(folder).resolve(name), content);
        }
        Kit kit = propose(project, MARSH);
        assertThat(KitReader.read(KitWriter.write(kit)).faults()).as("seed " + seed).isEmpty();
        Report report = new ProjectCheck(CheckRequest.of(Optional.of(kit), MARSH)).run(new FolderSource(project));
        assertThat(report.findings().stream()
                .filter(finding -> finding.severity().equals("must")
                        || (finding.severity().equals("should") && !finding.code().startsWith("name.")))
                .toList())
                .as("seed " + seed).isEmpty();
    }

    @Test
    void aLeftOutPartIsNotInTheKit() throws IOException {
        KitProposal proposal = KitProposal.of(new FolderSource(SampleProject.clean().folder(temp)), RosterFields.NONE, ReadLimits.DEFAULT)
                .proposal().orElseThrow();
        Kit kit = proposal.kit("Ident", part -> !part.title().startsWith("edit"));
        assertThat(kit.folders()).extracting(rule -> rule.path().text()).doesNotContain("edit", "edit/autosave").contains("footage");
        assertThat(kit.documents()).isEmpty();
        assertThat(proposal.parts()).allSatisfy(part -> assertThat(Words.ENGLISH.text(part.why())).endsWith("."));
    }

    @Test
    void anEmptyFolderIsRefused() throws IOException {
        KitProposal.Reading reading = KitProposal.of(new FolderSource(Files.createDirectories(temp.resolve("empty"))), RosterFields.NONE,
                ReadLimits.DEFAULT);
        assertThat(reading.proposal()).isEmpty();
        assertThat(reading.refusal().map(Words.ENGLISH::text).orElse("")).contains("empty");
    }

    private static Kit propose(Path project, RosterFields known) throws IOException {
        return KitProposal.of(new FolderSource(project), known, ReadLimits.DEFAULT).proposal().orElseThrow().kit("Proposed", part -> true);
    }
}
