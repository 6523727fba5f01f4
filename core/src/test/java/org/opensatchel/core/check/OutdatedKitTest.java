package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;

/** A project is told of a newer kit, and stays as clean as it is. */
class OutdatedKitTest {

    @TempDir
    Path temp;

    @Test
    void theNewerKitsDifferencesAreNotes() throws IOException {
        List<FindingLine> findings = check(kit(3, "\"wav\", \"flac\""), Optional.of(kit(4, "\"flac\"")));
        assertThat(findings).singleElement().satisfies(finding -> {
            assertThat(finding.code() + " " + finding.severity()).isEqualTo("structure.kit-outdated note");
            assertThat(finding.message()).contains("version 3").contains("version 4");
            assertThat(finding.consequences().orElseThrow()).singleElement()
                    .satisfies(change -> assertThat(change.message()).isEqualTo("“sound” no longer accepts wav."));
        });
    }

    @Test
    void theMarkerTellsAnOlderKit() throws IOException {
        assertThat(check(kit(5, "\"wav\", \"flac\""), Optional.empty())).singleElement()
                .satisfies(finding -> assertThat(finding.message()).contains("version 3").contains("version 5"));
    }

    @Test
    void theSameKitIsNotOutdated() throws IOException {
        assertThat(check(kit(3, "\"wav\", \"flac\""), Optional.of(kit(3, "\"wav\", \"flac\"")))).isEmpty();
        assertThat(check(kit(2, "\"wav\", \"flac\""), Optional.empty())).as("a marker of a later kit").isEmpty();
    }

    private List<FindingLine> check(Kit kit, Optional<Kit> newer) throws IOException {
        try (ZipSource source = ZipSource.open(SampleProject.clean().zip(temp, SampleProject.ROOT + "/"))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.of(kit), RosterFields.NONE).before(newer)).run(source);
            return report.findings().stream().filter(finding -> !finding.code().equals("location.undeclared")).toList();
        }
    }

    private static Kit kit(int version, String sound) {
        String json = SampleProject.kit().replace("\"version\": 3", "\"version\": " + version).replace("\"wav\", \"flac\"", sound);
        return KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    }
}
