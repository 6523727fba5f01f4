package org.opensatchel.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.words.Words;

class KitReaderTest {

    private static final String HEAD = "{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"{last}\"}";

    private static KitReading read(String json) {
        return KitReader.read(json.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void theLeastKitIsAKit() {
        assertThat(read(HEAD + "}").kit()).isPresent();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
            "\"folder\": [] | /folder | no key",
            "\"folders\": [{\"path\": \"a\"}, {\"path\": \"A\"}] | /folders/1/path | twice",
            "\"folders\": [{\"path\": \"a/{lost}\"}] | /folders/0/path | character 3",
            "\"folders\": [{\"path\": \"../a\"}] | /folders/0/path | no path inside",
            "\"folders\": [{\"path\": \"a\", \"need\": \"maybe\"}] | /folders/0/need | required",
            "\"folders\": [{\"path\": \"a\", \"atLeast\": -1}] | /folders/0/atLeast | whole number",
            "\"folders\": {} | /folders | list",
            "\"version\": \"3\" | /version | whole number",
            "\"companions\": [{\"name\": \".\"}] | /companions/0/name | no name of a folder",
            "\"companions\": [{\"name\": \"\"}] | /companions/0/name | no name of a folder",
            "\"companions\": [{\"name\": \" \"}] | /companions/0/name | no name of a folder",
            "\"files\": [{\"role\": \"F\", \"in\": \"\", \"name\": \"a\", \"types\": [\"mp4\"], \"namedLike\": \"Nobody\"}] | /files/0/namedLike | no document and no file",
            "\"files\": [{\"role\": \"F\", \"in\": \"\", \"name\": \"a\", \"types\": [\"mp4\"], \"namedLike\": \"F\"}] | /files/0/namedLike | needs a name of its own",
            "\"folders\": [{\"path\": \"a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a/a\"}] | /folders/0/path | more than 100 folders",
            "\"documents\": [{\"role\": \"T\", \"in\": \"e\", \"name\": \"{version:0}\"}] | /documents/0/name | digits",
            "\"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"a(\"}]} | /links/custom/0/pattern | cannot be read",
            "\"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"a\"}]} | /links/custom/0/pattern | group named link",
            "\"links\": {\"custom\": [{\"files\": \"*.x\"}]} | /links/custom/0 | exactly one",
            "\"severities\": {\"link.none\": \"off\"} | /severities/link.none | no finding",
            "\"severities\": {\"package.bomb\": \"off\"} | /severities/package.bomb | cannot be changed",
            "\"machines\": [\"toaster\"] | /machines/0 | no machine",
            "\"points\": {\"total\": 3, \"links\": 2} | /points | add up",
            "\"points\": {\"total\": 2, \"links\": 2, \"off\": {\"must\": -1}} | /points/off/must | from 0 to",
            "\"points\": {\"total\": 2, \"links\": 2, \"off\": {\"should\": 0.333}} | /points/off/should | two digits",
            "\"starter\": [{\"path\": \"a\", \"sha256\": \"12\", \"bytes\": 1}] | /starter/0/sha256 | 64",
            "\"location\": {\"storage\": [\"moon\"]} | /location/storage | not known",
            "\"title\": \"again\" | /title | stands twice",
            "\"limits\": {\"fileBytes\": 1, \"fileBytes\": 2} | /limits/fileBytes | stands twice",
            "\"folders\": [{\"path\": \"a\\u0000b\"}] | /folders/0/path | control character (U+0000)",
            "\"documents\": [{\"role\": \"T\", \"in\": \"e\", \"name\": \"a\\u0007\"}] | /documents/0/name | control character (U+0007)",
            "\"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"(?<link>a)\\u0000\"}]} | /links/custom/0/pattern | control character",
            "\"starter\": [{\"path\": \"C:/a.wav\", \"sha256\": \"12\", \"bytes\": 1}] | /starter/0/path | begins with a drive",
            "\"folders\": [{\"path\": \"e:footage\"}] | /folders/0/path | begins with a drive",
            "\"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"(?<link>(?:(?:a{1000}){1000}){1000})\"}]} | /links/custom/0/pattern | too large",
            "\"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"(?<link>a{0,1000}b{0,1000}c{0,1000}d{1000}[]{}]{999}\\\\p{L}{9})\"}]} | /links/custom/0/pattern | too large"})
    void aBrokenKitNamesKeyAndPlace(String part, String at, String says) {
        KitReading reading = read(HEAD + ", " + part + "}");
        assertThat(reading.kit()).isEmpty();
        assertThat(reading.faults()).extracting(JsonFault::at).contains(at);
        assertThat(reading.faults()).anySatisfy(fault -> assertThat(Words.ENGLISH.text(fault.what())).contains(says));
    }

    /** What went out by rules that were not as strict goes on being read; a pattern that would take all memory is not used. */
    @Test
    void aKitThatWasPublishedBeforeIsStillRead() {
        String before = HEAD
                + ", \"title\": \"again\", \"folders\": [{\"path\": \"e:footage\", \"purpose\": \"\\u0007\"}], \"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"(?<link>(?:a{1000}){1000})\"}, {\"files\": \"*.x\", \"pattern\": \"(?<link>a)\"}]}}";
        assertThat(read(before).kit()).isEmpty();
        assertThat(KitReader.readPublished(before.getBytes(java.nio.charset.StandardCharsets.UTF_8)).kit().orElseThrow().links().custom())
                .hasSize(1);
        assertThat(KitReader.readPublished((HEAD + ", \"folder\": []}").getBytes(java.nio.charset.StandardCharsets.UTF_8)).kit())
                .as("what never was a kit is none").isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"(?<link>a{1000}b{2,900})", "[{9999}]{3}(?<link>a)", "\\\\{99999\\\\}(?<link>x)",
            "\\\\Qa{9}{9}{9}{9}{999}\\\\E(?<link>x{5})", "(?<link>[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}:[0-9]{2})",
            "(?<link>(a{10}){20})|b{3}"})
    void aPatternWithRepeatsOfReasonIsTaken(String pattern) {
        assertThat(read(HEAD + ", \"links\": {\"custom\": [{\"files\": \"*.x\", \"pattern\": \"" + pattern + "\"}]}}").faults()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"[] | object", "{\"kit\": 2, \"title\": \"T\", \"root\": {\"name\": \"a\"}} | kit",
            "{\"kit\": 1 | JSON", "{\"kit\": 1} | title",
            "{\"kit\": 1, \"title\": \"T\", \"root\": {\"name\": \"a/b\"}} | slash"})
    void whatIsNoKitIsRefused(String json, String says) {
        KitReading reading = read(json);
        assertThat(reading.kit()).isEmpty();
        assertThat(reading.faults().stream().map(fault -> Words.ENGLISH.text(fault.said())).toList().toString()).contains(says);
    }

    @Test
    void writtenAndReadAgainItIsTheSame() throws Exception {
        for (String name : List.of("night-market", "kettle-turntable", "wayfinding-set")) {
            byte[] json = new String(Files.readAllBytes(Path.of("../web/src/main/resources/demo/" + name + ".kit.json")),
                    StandardCharsets.UTF_8)
                    .replaceAll("\"@[^\"]*@\"", "\"" + "0".repeat(64) + "\"").getBytes(StandardCharsets.UTF_8);
            byte[] once = KitWriter.write(KitReader.read(json).kit().orElseThrow());
            assertThat(KitWriter.write(KitReader.read(once).kit().orElseThrow())).isEqualTo(once);
        }
    }
}
