package org.opensatchel.core.location;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.words.Words;

/** Machine documents are read whole, or what is wrong is told with its key. */
class MachineReaderTest {

    @Test
    void whatIsLeftOutIsAsTheSystemHasIt() {
        Machine linux = read("{\"machine\": 1, \"name\": \"cellar\", \"system\": \"linux\"}").machine().orElseThrow();
        assertThat(linux.caseIgnored()).isFalse();
        assertThat(linux.maxPath()).isEqualTo(4096);
        Machine mac = read(
                "{\"machine\": 1, \"name\": \"desk\", \"system\": \"macos\", \"root\": \"/Volumes/X/{root}\", \"reaches\": [\"web\"], \"case\": \"kept\"}")
                .machine().orElseThrow();
        assertThat(mac.unicode()).isEqualTo(Machine.UnicodeRule.DECOMPOSED);
        assertThat(mac.caseIgnored()).isFalse();
        assertThat(mac.reaches()).containsExactly("web");
        assertThat(Machine.SHIPPED).extracting(Machine::name).containsExactly("lab-windows", "lab-mac", "lab-linux", "drive-fat32",
                "drive-exfat", "render-linux", "instructor");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {"machine": 2, "name": "x", "system": "linux"}                         | /machine
            {"machine": 1, "system": "linux"}                                      | “name” is missing here.
            {"machine": 1, "name": "x"}                                            | “system” is missing here
            {"machine": 1, "name": "x", "system": "amiga"}                         | /system: “amiga” is not known here
            {"machine": 1, "name": "x", "system": "linux", "maxPath": 0}           | /maxPath
            {"machine": 1, "name": "x", "system": "linux", "root": "work/{root}"}  | /root
            {"machine": 1, "name": "x", "system": "linux", "root": "/work"}        | /root
            {"machine": 1, "name": "x", "system": "linux", "reaches": ["moon"]}    | “moon” is not known here
            {"machine": 1, "name": "x", "system": "linux", "fast": true}           | There is no key “fast” here.
            []                                                                     | This must be an object
            {"machine":                                                            | no JSON document
            """)
    void faultsAreTold(String json, String part) {
        MachineReader.Reading reading = read(json);
        assertThat(reading.machine()).isEmpty();
        assertThat(reading.faults().stream().map(fault -> Words.ENGLISH.text(fault.said())).toList().toString()).contains(part);
    }

    private static MachineReader.Reading read(String json) {
        return MachineReader.read(json.getBytes(StandardCharsets.UTF_8));
    }
}
