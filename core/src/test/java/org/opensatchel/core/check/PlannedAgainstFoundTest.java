package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** The plan with what is there laid over it: each line as {@code state planned < found}. */
class PlannedAgainstFoundTest {

    @TempDir
    private Path temp;

    private static final String KIT = """
            "folders": [{"path": "story", "need": "required", "atLeast": 1, "accepts": ["txt", "pdf"]},
              {"path": "sound", "need": "required", "accepts": ["wav"]}, {"path": "edit", "need": "required"},
              {"path": "notes", "need": "optional"}, {"path": "shots/{word}", "need": "optional"}],
            "documents": [{"role": "Timeline", "in": "edit", "name": "{last}_v{version:2}", "types": ["otio"], "need": "required"}],
            "starter": [{"path": "sound/bell.wav", "sha256": "%s", "bytes": 4, "treat": "keep"}]
            """.formatted("ec7e1a8346fa6f5ef3a88bf8a0f1e0d3d5c2a0cfa5a7a3d9a7a5a54b42c1a3a1");

    private static final String[] WHOLE = {"story/a.txt = x", "sound/bell.wav = RIFF", "edit/Marsh_v01.otio = {}"};

    private static Scene scene(String name, String... files) {
        return Scene.of(name, files).kit(KIT);
    }

    static Stream<Arguments> scenes() {
        return Stream.of(
                Arguments.of(scene("as planned", WHOLE),
                        List.of("there story", "there sound", "there edit", "absent notes", "there edit/Marsh_v01.otio")),
                Arguments.of(scene("one of a folder that repeats", WHOLE).with("shots/one/p.txt = x"),
                        List.of("there story", "there sound", "there edit", "absent notes", "there shots/one",
                                "there edit/Marsh_v01.otio")),
                Arguments.of(
                        scene("nothing in a folder that needs something", "story/ = ", "sound/bell.wav = RIFF", "edit/Marsh_v01.otio = {}"),
                        List.of("few story", "there sound", "there edit", "absent notes", "there edit/Marsh_v01.otio")),
                Arguments.of(scene("a folder renamed", "Story/a.txt = x", "sound/bell.wav = RIFF", "edit/Marsh_v01.otio = {}"),
                        List.of("renamed story < Story", "there sound", "there edit", "absent notes", "there edit/Marsh_v01.otio")),
                Arguments.of(scene("a folder gone", "sound/bell.wav = RIFF", "edit/Marsh_v01.otio = {}"),
                        List.of("missing story", "there sound", "there edit", "absent notes", "there edit/Marsh_v01.otio")),
                Arguments.of(
                        scene("the document in the root", "story/a.txt = x", "sound/bell.wav = RIFF", "edit/b.txt = x",
                                "Marsh_v01.otio = {}"),
                        List.of("there story", "there sound", "there edit", "absent notes", "moved edit/Marsh_v01.otio < Marsh_v01.otio")),
                Arguments.of(scene("the document misnamed", "story/a.txt = x", "sound/bell.wav = RIFF", "edit/Marsh_1.otio = {}"),
                        List.of("there story", "there sound", "there edit", "absent notes",
                                "renamed edit/Marsh_v01.otio < edit/Marsh_1.otio")),
                Arguments.of(scene("no document", "story/a.txt = x", "sound/bell.wav = RIFF", "edit/a.txt = x"),
                        List.of("there story", "there sound", "there edit", "absent notes", "missing edit/Marsh_v01.otio")),
                Arguments.of(
                        scene("a sound among the stories, and a folder nobody planned", WHOLE).with("story/hum.wav = RIFF",
                                "old/x.txt = x"),
                        List.of("there story", "there sound", "there edit", "absent notes", "there edit/Marsh_v01.otio",
                                "moved sound/hum.wav < story/hum.wav", "extra  < old")));
    }

    @ParameterizedTest
    @MethodSource("scenes")
    void whatIsThereIsLaidOverThePlan(Scene scene, List<String> lines) throws IOException {
        List<String> told = scene.check(temp).plan().orElseThrow().lines().stream().filter(line -> !line.path().equals("sound/bell.wav"))
                .map(line -> line.state() + " " + line.planned().orElse("") + line.found().map(found -> " < " + found).orElse("")).toList();
        assertThat(told).isEqualTo(lines);
    }
}
