package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The source of pages is for people to read, too. */
class PageSourceTest {

    private static final Path TEMPLATES = Path.of("src/main/resources/templates");
    private static final int LONGEST = 140;

    @Test
    void noLineIsLongerThanAScreenIsWide() throws IOException {
        List<String> wide = new ArrayList<>();
        try (Stream<Path> all = Files.walk(TEMPLATES)) {
            for (Path file : all.filter(path -> path.toString().endsWith(".html")).sorted().toList()) {
                List<String> lines = Files.readAllLines(file);
                for (int i = 0; i < lines.size(); i++) {
                    if (lines.get(i).length() > LONGEST) {
                        wide.add(TEMPLATES.relativize(file) + ":" + (i + 1));
                    }
                }
            }
        }
        assertThat(wide).isEmpty();
    }
}
