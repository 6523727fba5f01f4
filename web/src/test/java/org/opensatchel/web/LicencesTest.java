package org.opensatchel.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Every library that ships is named with its licence, and none that does not. */
class LicencesTest {

    private static final Pattern ROW = Pattern.compile("\\| `([\\w.-]+):([\\w.-]+)` \\| (\\S.*) \\|");
    /** Where a library lies in the repository of the build: .../artefact/version/artefact-version.jar. */
    private static final Pattern JAR = Pattern.compile(".*/([\\w.-]+)/[^/]+/\\1-[^/]+\\.jar");
    /** Archives that only name others are left out where the application is packed. */
    private static final String EMPTY = "spring-boot-starter";
    /** It is put into the application by what packs it, and on no class path. */
    private static final String PACKER = "spring-boot-jarmode-tools";

    private static Set<String> named() throws IOException {
        Set<String> out = new TreeSet<>();
        for (String line : Files.readAllLines(Path.of("../docs/licences.md"))) {
            Matcher row = ROW.matcher(line);
            if (row.matches()) {
                assertThat(row.group(3)).as(row.group(2)).doesNotContain("?");
                out.add(row.group(2));
            }
        }
        return out;
    }

    /** What the application was packed with, as the build wrote it down. */
    private static List<String> shipped() throws IOException {
        return Files.readAllLines(Path.of("target/shipped.txt")).stream().flatMap(line -> Arrays.stream(line.split(File.pathSeparator)))
                .map(JAR::matcher).filter(Matcher::matches).map(jar -> jar.group(1)).toList();
    }

    @Test
    void whatShipsIsNamedWithItsLicence() throws IOException {
        Set<String> shipped = shipped().stream().filter(name -> !name.startsWith("satchel-") && !name.startsWith(EMPTY))
                .collect(Collectors.toCollection(TreeSet::new));
        shipped.add(PACKER);
        assertThat(shipped).hasSizeGreaterThan(100);
        assertThat(named()).isEqualTo(shipped);
    }
}
