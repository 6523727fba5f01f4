package org.opensatchel.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.words.Words;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** One change to a kit document is one sentence, or two where two things changed; no change is none. */
class KitDifferenceTest {

    @ParameterizedTest(name = "{2}")
    @CsvSource(delimiter = '|', quoteCharacter = '\0', textBlock = """
            /title                | "Night Ident"                     | The title is “Night Ident”; it was “Night Market Ident”.
            /root/name            | "{course}_{last}"                 | The name of the project folder is “{course}_{last}”; it was “{course}_{assignment}_{last}_{first}”.
            /assignment           | "A3"                              | The assignment is “A3”; it was “A2”.
            /names/spaces         | "allow"                           | Spaces in names are allowed now.
            /names/letters        | "lower"                           | Names have to be in small letters.
            /names/maxLength      | 40                                | Names may have 40 characters; it was 60.
            /names/portable       | false                             | Names no longer have to work on every system.
            /names/ascii          | true                              | Names may have plain letters A to Z only.
            /names/avoid          | ["untitled", "final_final"]       | Names may say copy.
            /folders/2/accepts    | ["wav", "flac", "ogg"]            | “sound” now accepts ogg.
            /folders/2/accepts    | ["wav"]                           | “sound” no longer accepts flac.
            /folders/4/accepts    | ["png"]                           | “shots/{word}” now takes only png.
            /folders/0/atLeast    | 3                                 | “story” has to hold 3 or more files; it was 1.
            /folders/0/need       | "optional"                        | “story” is optional; it was required.
            /folders/3/need       | "forbidden"                       | “titles” must not be there any more.
            /folders/1/sealed     | false                             | “footage” no longer has to stay as it is.
            /folders/6/managed    | false                             | “edit/autosave” is looked into again.
            /folders/4/repeats    | {"atLeast": 5}                    | “shots/{word}” repeats at least 5 times.
            /folders/0/purpose    | "Boards and script"               | “story” is for “Boards and script”.
            /folders/0/path       | "boards"                          | “boards” is new: required, takes pdf, svg, odt, csv, for “Boards”. / “story” is gone.
            /otherFolders         | "forbid"                          | Other folders are not allowed.
            /companions/0/managed | false                             | “Take Store” beside the project folder has another rule: optional, Program.
            /documents/0/versions | 3                                 | “Timeline” needs 3 versions; it was 2.
            /documents/0/name     | "{last}_v{version:2}"             | “Timeline” is named “{last}_v{version:2}”; it was “{last}_{assignment}_v{version:2}”.
            /documents/0/maxLength| 30                                | “Timeline” may have a name of 30 characters.
            /files/0/in           | "edit"                            | “Finished film” belongs in “edit”; it was “delivery”.
            /files/0/media        | {"width": 1280, "frameRate": 30}  | “Finished film” has to be: 1280 pixels wide and 30 frames a second; it was: anything.
            /files/0/namedLike    | "Timeline"                        | “Finished film” is named like “Timeline”.
            /starter/0/treat      | "edit"                            | The starter file “sound/market-bell.wav” may be changed, and keeps its name.
            /starter/0/sha256     | "1111111111111111111111111111111111111111111111111111111111111111" | The starter file “sound/market-bell.wav” has another content.
            /starter/0/path       | "sound/bell.wav"                  | The starter file “sound/bell.wav” is new. / The starter file “sound/market-bell.wav” is gone.
            /links                | {"remote": "should"}              | Links to the web are a should; they were judged as usual.
            /location/storage     | ["local"]                         | Projects may no longer lie on a drive you carry.
            /location/maxRootLength | 90                              | The path of the project may have 90 characters.
            /machines             | ["lab-windows", "lab-mac"]        | It has to open on “lab-mac”. / It no longer has to open on “render-linux”.
            /limits               | {"fileBytes": 100}                | The limits are 100 bytes a file; they were none.
            /steps                | [{"title": "Autosave on"}]        | “Autosave on” is new.
            /severities           | {"asset.unused": "off"}           | “A file is linked from nowhere” is not told; it was a note.
            /points               | {"total": 4, "names": 4}          | The points are 4 in all, folders 0, names 4, links 0, and files 0; they were none.
            """)
    void aChangeIsSaidInWords(String at, String json, String said) {
        assertThat(KitDifference.between(kit(null, null), kit(at.strip(), json)).stream().map(change -> Words.ENGLISH.text(change.what()))
                .toList())
                .containsExactlyElementsOf(List.of(said.split(" / ")));
    }

    @Test
    void theSameKitHasNoDifference() {
        assertThat(KitDifference.between(kit(null, null), kit(null, null))).isEmpty();
        assertThat(KitDifference.between(kit(null, null), kit("/version", "9"))).as("a version number is no difference").isEmpty();
    }

    private static Kit kit(String at, String json) {
        ObjectNode document = (ObjectNode) JsonDocuments.MAPPER.readTree(SampleProject.kit());
        if (at != null) {
            JsonNode holder = document.at(at.substring(0, at.lastIndexOf('/')));
            ((ObjectNode) holder).set(at.substring(at.lastIndexOf('/') + 1), JsonDocuments.MAPPER.readTree(json));
        }
        var reading = KitReader.read(JsonDocuments.MAPPER.writeValueAsString(document).getBytes(StandardCharsets.UTF_8));
        assertThat(reading.faults()).isEmpty();
        return reading.kit().orElseThrow();
    }
}
