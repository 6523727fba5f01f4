package org.opensatchel.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/** What files of a format are called stands with the format, and nowhere else. */
class EndingsTest {

    private static final Pattern LITERAL = Pattern.compile("\"\\.?([a-z0-9]{2,8})\"");
    /** Endings that are words too. */
    private static final Set<String> WORDS = Set.of("abc", "otf");
    /** Where such a word is something else, and what. */
    private static final Map<String, String> NO_ENDINGS = Map.of("CodecNames.java", "names of codecs", "SmallPicture.java",
            "a writer of pictures", "Printer.java", "a font of ours", "LargeAnswers.java", "a part of a media type");

    private static List<Path> sources() throws IOException {
        try (Stream<Path> all = Stream.of("src/main/java", "../cli/src/main/java", "../worker/src/main/java", "../web/src/main/java")
                .map(Path::of).flatMap(EndingsTest::below)) {
            // The demo makes documents, and names them.
            return all.filter(file -> !file.toString().contains("/web/demo/") && !NO_ENDINGS.containsKey(file.getFileName().toString()))
                    .toList();
        }
    }

    private static Stream<Path> below(Path folder) {
        try {
            return Files.walk(folder).filter(file -> file.toString().endsWith(".java"));
        } catch (IOException gone) {
            throw new IllegalStateException(gone);
        }
    }

    @Test
    void noEndingIsWrittenBesideItsFormat() throws IOException {
        Set<String> endings = Stream.of(FileKind.PICTURE, FileKind.SOUND, FileKind.MOVING_PICTURE, FileKind.MODEL, FileKind.FONT)
                .flatMap(kind -> Formats.endings(kind).stream()).filter(ending -> !WORDS.contains(ending)).collect(Collectors.toSet());
        assertThat(endings).contains("png", "mp4", "glb");
        Set<String> found = new TreeSet<>();
        List<Path> sources = sources();
        assertThat(sources).hasSizeGreaterThan(500);
        for (Path source : sources) {
            LITERAL.matcher(Files.readString(source)).results().map(MatchResult::group).filter(
                    literal -> endings.contains(literal.replaceAll("[\".]", ""))).forEach(
                            literal -> found.add(source.getFileName() + " " + literal));
        }
        assertThat(found).isEmpty();
    }
}
