package org.opensatchel.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;

/** Projects come out as they came in, each under the name its root should have. */
class ProjectCopyTest {

    @TempDir
    private Path temp;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "Marsh/a.txt;Marsh/b/c.txt | R/a.txt;R/b/c.txt | ",
            "a.txt;b/c.txt | R/a.txt;R/b/c.txt | ",
            "Marsh/Marsh/a.txt;Marsh/Marsh/b/c.txt | R/a.txt;R/b/c.txt | ",
            "Marsh/a.txt;Marsh/b:c.txt | R/a.txt | b:c.txt",
            "Marsh/a.txt;Marsh/empty/ | R/empty/;R/a.txt | "})
    void theRootGetsItsName(String entries, String wanted, String left) throws IOException {
        Path archive = temp.resolve("a.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(archive))) {
            for (String entry : entries.split(";")) {
                zip.putNextEntry(new ZipEntry(entry));
                if (!entry.endsWith("/")) {
                    zip.write(entry.getBytes(StandardCharsets.UTF_8));
                }
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ProjectCopy.Copied copied;
        try (ZipSource source = ZipSource.open(archive); ZipWriter zip = new ZipWriter(out, false)) {
            copied = new ProjectCopy(ReadLimits.DEFAULT).copy(source, Optional.empty(), RosterFields.NONE, "R", zip);
        }
        assertThat(copied.readable()).isTrue();
        assertThat(copied.left()).isEqualTo(left == null ? List.of() : List.of(left));
        assertThat(names(out.toByteArray())).containsExactlyInAnyOrder(wanted.split(";"));
    }

    private static List<String> names(byte[] zip) throws IOException {
        List<String> out = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.add(entry.getName());
                if (!entry.isDirectory()) {
                    assertThat(new String(in.readAllBytes(), StandardCharsets.UTF_8)).endsWith(entry.getName().substring(2));
                }
            }
        }
        return out;
    }
}
