package org.opensatchel.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What newcomers are told to touch is there, and is all there is to touch. */
class ContributingTest {

    private static final Path HOME = Path.of("..");
    private static final Pattern NAMED = Pattern.compile("`([\\w/.-]+/[\\w/.-]+)`");
    private static final Pattern OF_THE_FORMAT = Pattern.compile("\\bXspf(Links)?\\b|format\\.xspf|\"xspf\"|xspf/bells");
    private static final String FLAG = "Add a flag to what a kit says of folders";
    private static final List<String> MODULES = List.of("base", "formats", "core", "cli", "worker", "web");

    private static Set<String> named(String section) throws IOException {
        String text = Files.readString(HOME.resolve("CONTRIBUTING.md"));
        int from = text.indexOf("\n## " + section + "\n");
        assertThat(from).as(section).isNotNegative();
        int to = text.indexOf("\n## ", from + 1);
        return NAMED.matcher(text.substring(from, to < 0 ? text.length() : to)).results().map(found -> found.group(1))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void whateverIsNamedIsThere() throws IOException {
        for (String section : List.of("Add a format", "Add a rule", FLAG, "Add a rule for kits", "Add a page", "Add a language")) {
            assertThat(named(section)).as(section).isNotEmpty()
                    .allSatisfy(path -> assertThat(HOME.resolve(path)).as(path).isRegularFile());
        }
    }

    /** The same format looked for everywhere: a list that it lies in and that is not named makes each new format dearer. */
    @Test
    void aFormatLiesInTheFilesThatAreNamedAndInNoOther() throws IOException {
        Set<String> found = naming(OF_THE_FORMAT, "src");
        Set<String> code = named("Add a format");
        code.removeIf(path -> path.contains("/samples/"));
        // It finds paths in files of no known format, and is told what may be the name of a document; this test looks for the name itself.
        found.remove("formats/src/main/java/org/opensatchel/formats/guessed/FoundPath.java");
        found.remove("core/src/test/java/org/opensatchel/core/ContributingTest.java");
        assertThat(found).isEqualTo(code);
    }

    /** The same for a flag, which is described once. */
    @Test
    void aFlagLiesInTheFilesThatAreNamedAndInNoOther() throws IOException {
        assertThat(naming(Pattern.compile("\\brebuildable\\b"), "src/main")).isEqualTo(named(FLAG));
    }

    /** The files below a folder of each module that hold a word. */
    private static Set<String> naming(Pattern word, String below) throws IOException {
        Set<String> found = new TreeSet<>();
        for (String module : MODULES) {
            try (Stream<Path> files = Files.walk(HOME.resolve(module).resolve(below))) {
                for (Path file : files.filter(Files::isRegularFile).filter(one -> one.toString().matches(".*\\.(java|properties|html|js)"))
                        .toList()) {
                    if (word.matcher(new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1)).find()) {
                        found.add(HOME.relativize(file).toString());
                    }
                }
            }
        }
        return found;
    }
}
