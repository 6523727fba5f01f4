package org.opensatchel.core.example;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.formats.described.learn.Learner;

/** Formats that nobody knows are learned from one example, and then other projects of the format are checked by that alone. */
class InventedFormatsTest {

    private static final Schema SCHEMA = schema();

    @TempDir
    private Path folder;

    private static Schema schema() {
        try (InputStream in = Files.newInputStream(Path.of("../docs/schema/profile.schema.json"))) {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(in);
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    static Stream<Invented> formats() {
        return Invented.all().stream();
    }

    static Profile learn(Path... examples) throws IOException {
        List<Example> opened = new ArrayList<>();
        for (Path example : examples) {
            try (FolderSource source = new FolderSource(example)) {
                opened.add(Examples.open(source, ReadLimits.DEFAULT, Optional.empty(), Optional.empty()).example().orElseThrow());
            }
        }
        Learned learned = new Learner(opened).learn();
        Profile profile = learned.profile("Invented").orElseThrow(() -> new AssertionError("nothing certain: " + learned.open()));
        byte[] written = ProfileWriter.write(profile);
        assertThat(ProfileWriter.write(new Learner(opened).learn().profile("Invented").orElseThrow()))
                .as("the same examples, the same profile").isEqualTo(written);
        ProfileReading read = ProfileReader.read(written);
        assertThat(SCHEMA.validate(new String(written, StandardCharsets.UTF_8), InputFormat.JSON)).isEmpty();
        assertThat(read.faults()).as(new String(written, StandardCharsets.UTF_8)).isEmpty();
        return read.profile().orElseThrow();
    }

    private static final Map<String, Profile> LEARNED = new ConcurrentHashMap<>();

    /** What one example of a format teaches, the same for all tests: learned once. */
    static Profile learned(Invented format, Path folder) throws IOException {
        Profile known = LEARNED.get(format.name());
        if (known == null) {
            known = learn(new InventedProject(format, 1, 9).write(folder.resolve("example")));
            LEARNED.put(format.name(), known);
        }
        return known;
    }

    static Report check(Path project, Profile profile) throws IOException {
        try (FolderSource source = new FolderSource(project)) {
            return new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE).described(List.of(profile))).run(source);
        }
    }

    private static String told(Report report, Profile profile) {
        return report.links().stream().map(link -> link.text() + " " + link.outcome()).toList() + "\n"
                + report.findings().stream().map(one -> one.code() + " " + one.severity() + " " + one.message()).toList() + "\n"
                + new String(ProfileWriter.write(profile), StandardCharsets.UTF_8);
    }

    private static List<String> links(Report report) {
        return report.links().stream().map(link -> link.text() + " | " + link.outcome() + " | " + link.target().orElse("")).sorted()
                .toList();
    }

    private static String usual(Invented format) {
        return format.writes() == Invented.Writes.ABSOLUTE ? "pinned" : "ok";
    }

    private static List<String> expected(Invented format, InventedProject project) {
        return project.clips().stream()
                .map(clip -> format.text().apply(clip) + " | " + usual(format) + " | " + clip.relative().substring(3))
                .sorted().toList();
    }

    @ParameterizedTest
    @MethodSource("formats")
    void aCleanProjectIsCleanAndEveryLinkOfItIsRead(Invented format) throws IOException {
        Profile profile = learned(format, folder);
        for (long seed = 2; seed < 8; seed++) {
            InventedProject project = new InventedProject(format, seed, 4 + (int) seed * 5);
            Report report = check(project.write(folder.resolve("p" + seed)), profile);
            assertThat(links(report)).as(told(report, profile)).isEqualTo(expected(format, project));
            assertThat(report.findings()).as(told(report, profile))
                    .noneMatch(finding -> finding.code().startsWith("link") && !finding.severity().equals("note"));
        }
    }

    @ParameterizedTest
    @MethodSource("formats")
    void everyOutcomeIsToldAsItIs(Invented format) throws IOException {
        Profile profile = learned(format, folder);
        for (String outcome : List.of("missing", "moved", "misspelt", "outside", "pinned")) {
            InventedProject project = new InventedProject(format, 4, 12);
            boolean relative = format.writes() != Invented.Writes.ABSOLUTE;
            if ((outcome.equals("pinned") && format.writes() != Invented.Writes.BOTH) || (outcome.equals("misspelt") && !relative)) {
                continue;
            }
            List<String> expected = new ArrayList<>(expected(format, project));
            String file = project.files().get(0);
            project.addFile("other/elsewhere.mov");
            String planted = switch (outcome) {
                case "missing" -> project.plant("../footage/never_there.mov", project.absolute("footage/never_there.mov"));
                case "moved" -> project.plant("../footage/elsewhere.mov", project.absolute("footage/elsewhere.mov"));
                case "misspelt" -> project.plant("../" + file.substring(0, 2).toUpperCase() + file.substring(2), "Q:\\gone\\a.mov");
                case "outside" -> project.plant("../../Other/clip.mov", "Q:\\Other\\clip.mov");
                default -> project.plant("../gone/never.mov", project.absolute(file));
            };
            Report report = check(project.write(folder.resolve(outcome)), profile);
            String target = switch (outcome) {
                case "moved" -> "other/elsewhere.mov";
                case "misspelt", "pinned" -> file;
                default -> "";
            };
            // From the root, and behind a word or a base for it, two folders up is one; there the file is only missing.
            expected.add(planted + " | " + outcome + " | " + target);
            expected.sort(null);
            assertThat(links(report)).as(told(report, profile)).isEqualTo(expected);
        }
    }

    @Test
    void eachFormatHasANameOfItsOwn() {
        assertThat(formats().map(Invented::name)).doesNotHaveDuplicates().hasSizeGreaterThan(100);
    }

    @Test
    void anExampleWithoutItsMediaTeachesNothing() throws IOException {
        for (Invented format : Invented.all()) {
            InventedProject project = new InventedProject(format, 3, 9);
            project.files().clear();
            project.addFile("footage/something.mov");
            Path example = project.write(folder.resolve(format.ending()));
            try (FolderSource source = new FolderSource(example)) {
                Example opened = Examples.open(source, ReadLimits.DEFAULT, Optional.empty(), Optional.empty()).example().orElseThrow();
                assertThat(new Learner(List.of(opened)).learn().kinds()).as(format.name()).isEmpty();
            }
            assertThat(Files.exists(example)).isTrue();
        }
    }
}
