package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import com.helger.css.reader.CSSReader;
import com.helger.css.reader.CSSReaderSettings;
import com.helger.css.reader.errorhandler.CollectingCSSParseErrorHandler;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.location.OperatingSystem;

/** The source of pages is for people to read, too. */
class PageSourceTest {

    private static final Path TEMPLATES = Path.of("src/main/resources/templates");
    private static final Path SCRIPTS = Path.of("src/main/resources/static/js");
    private static final Path STYLES = Path.of("src/main/css");
    private static final int LONGEST = 140;
    private static final Pattern WORD = Pattern.compile("[\\w-]+");
    private static final Pattern NAMED_CLASS = Pattern.compile("\\.([a-zA-Z][\\w-]*)");

    private static List<Path> files(Path folder, String ending) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(path -> path.toString().endsWith(ending) && !path.toString().endsWith(".min.js")).sorted().toList();
        }
    }

    static List<Path> styles() throws IOException {
        return files(STYLES, ".css");
    }

    @Test
    void noLineIsLongerThanAScreenIsWide() throws IOException {
        List<Path> sources = new ArrayList<>(files(TEMPLATES, ".html"));
        sources.addAll(files(SCRIPTS, ".js"));
        sources.addAll(styles());
        List<String> wide = new ArrayList<>();
        for (Path file : sources) {
            List<String> lines = Files.readAllLines(file);
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).length() > LONGEST) {
                    wide.add(file + ":" + (i + 1));
                }
            }
        }
        assertThat(sources).hasSizeGreaterThan(100);
        assertThat(wide).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("styles")
    void aStyleSheetIsReadWhole(Path file) throws IOException {
        CollectingCSSParseErrorHandler errors = new CollectingCSSParseErrorHandler();
        CSSReader.readFromStringReader(Files.readString(file), new CSSReaderSettings().setCustomErrorHandler(errors));
        assertThat(errors.getAllParseErrors()).isEmpty();
    }

    /** One that is in no list would reach no page, in silence. */
    @Test
    void everyStyleSheetIsPartOfTheOneThatPagesLoad() throws IOException {
        String loaded;
        try (var content = PageSourceTest.class.getResourceAsStream("/static/css/satchel.css")) {
            loaded = new String(content.readAllBytes(), StandardCharsets.UTF_8);
        }
        for (Path file : styles()) {
            assertThat(loaded).as(file.toString()).contains(Files.readString(file));
        }
    }

    @Test
    void noStyleIsForWhatNoPageHas() throws IOException {
        Set<String> had = new TreeSet<>();
        for (Path file : Stream.of(files(TEMPLATES, ".html"), files(SCRIPTS, ".js"), files(Path.of("src/main/java"), ".java"))
                .flatMap(List::stream).toList()) {
            WORD.matcher(Files.readString(file)).results().map(MatchResult::group).forEach(had::add);
        }
        Stream.of(OperatingSystem.values()).map(system -> system.name().toLowerCase(Locale.ROOT)).forEach(had::add);
        for (Path file : styles()) {
            String selectors = Files.readString(file).replaceAll("(?s)/\\*.*?\\*/", "").replaceAll("\\{[^{}]*\\}", "{}");
            assertThat(NAMED_CLASS.matcher(selectors).results().map(found -> found.group(1)).collect(Collectors.toSet()))
                    .as(file.toString()).isSubsetOf(had);
        }
    }
}
