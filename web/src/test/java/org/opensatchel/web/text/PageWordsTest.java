package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.words.Words;

/** The words of pages and scripts: the same keys in every language, none missing where one is asked for, none that nobody asks for. */
class PageWordsTest {

    private static final Path MAIN = Path.of("src/main");
    private static final Pattern HOLE = Pattern.compile("\\{(\\d+)");
    private static final Pattern IN_TEMPLATES = Pattern.compile("#\\{([a-z][\\w-]*\\.[\\w.-]+)[}(]");
    private static final Pattern IN_JAVA = Pattern.compile("Speech\\.say\\(\"([a-z][\\w.-]+)\"[,)]");
    private static final Pattern IN_SCRIPTS = Pattern.compile("say\\(\"(js[\\w.-]+)\"[,)]");
    /** What is put together from a beginning and something that is found out. */
    private static final Pattern BEGINNING = Pattern.compile("[\"'(]([a-z][a-z-]*\\.(?:[A-Za-z0-9-]+[-.])*)[\"']\\s*\\+");
    private static final Pattern SAID = Pattern.compile("(?<![\\w.-])([\\w.-]+)");
    private static final Pattern OPTION = Pattern.compile("option\\(\"([\\w-]+)\"\\)");
    private static final Pattern WORDING = Pattern.compile("Wording\\.key\\(\"([\\w-]+)\", this\\)");

    private static Set<String> keys(String language) throws IOException {
        java.util.Properties bundle = new java.util.Properties();
        try (var reader = Files
                .newBufferedReader(MAIN.resolve("resources/org/opensatchel/web/text/messages_" + language + ".properties"))) {
            bundle.load(reader);
        }
        return new TreeSet<>(bundle.stringPropertyNames());
    }

    private static List<String> sources() throws IOException {
        try (Stream<Path> files = Files.walk(MAIN)) {
            return files.filter(file -> file.toString().matches(".*\\.(java|html|js)") && !file.toString().endsWith(".min.js"))
                    .map(PageWordsTest::read).toList();
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException gone) {
            throw new AssertionError(gone);
        }
    }

    @Test
    void everyLanguageHasTheSameKeysAndHoles() throws IOException {
        assertThat(keys("de")).isEqualTo(keys("en"));
        Words english = Speech.in(Locale.ENGLISH);
        Words german = Speech.in(Locale.GERMAN);
        assertThat(keys("en")).allSatisfy(key -> assertThat(holes(german.plain(key))).as(key).isEqualTo(holes(english.plain(key))));
    }

    private static Set<String> holes(String text) {
        return HOLE.matcher(text).results().map(hole -> hole.group(1)).collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void everyKeyIsAskedFor() throws IOException {
        String all = String.join("\n", sources());
        Set<String> beginnings = found(BEGINNING, all);
        // The fields of the plan page put theirs together in one place, and wordings in theirs.
        found(OPTION, all).forEach(option -> beginnings.add("js-plan." + option + "-"));
        found(WORDING, all).forEach(kind -> beginnings.add(kind + "."));
        Set<String> said = found(SAID, all);
        assertThat(keys("en")).filteredOn(key -> !said.contains(key) && beginnings.stream().noneMatch(key::startsWith)).isEmpty();
    }

    @Test
    void everyKeyThatIsAskedForIsThere() throws IOException {
        String all = String.join("\n", sources());
        Words words = Speech.in(Locale.ENGLISH);
        Set<String> asked = found(IN_TEMPLATES, all);
        asked.addAll(found(IN_JAVA, all));
        found(IN_SCRIPTS, all).forEach(asked::add);
        assertThat(asked).hasSizeGreaterThan(400).allMatch(words::has);
    }

    private static Set<String> found(Pattern pattern, String text) {
        return pattern.matcher(text).results().map(one -> one.group(1)).collect(Collectors.toCollection(TreeSet::new));
    }
}
