package org.opensatchel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The help of every command, whole in German too. */
class HelpTest {

    private static String printed(String... args) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Satchel.run(new PrintStream(out, true, StandardCharsets.UTF_8), new PrintStream(out, true, StandardCharsets.UTF_8), args);
        return out.toString(StandardCharsets.UTF_8);
    }

    static Stream<String> commands() {
        return Stream.of("check", "kit", "kit lint", "kit handout", "kit diff", "kit propose", "kit schema", "name", "name test", "formats",
                "explain",
                "profile", "profile learn",
                "profile test", "profile explain");
    }

    @ParameterizedTest
    @MethodSource("commands")
    void nothingOfItIsLeftInEnglish(String command) {
        String[] english = (command + " --help").split(" ");
        String[] german = (command + " --help --language de").split(" ");
        assertThat(printed(english)).contains("Usage: satchel " + command);
        String[] said = printed(german).split("\n");
        assertThat(said[0]).startsWith("Aufruf: satchel " + command);
        assertThat(String.join("\n", said))
                .doesNotContainPattern("\\b(the|most|how|Show|Print|whose|where|or|a|from|with|like|kit document)\\b");
    }
}
