package org.opensatchel.base.hash;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against the examples that NIST publishes for FIPS 180-4. */
class Sha256Test {

    @ParameterizedTest
    @CsvSource({"'', e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855",
            "abc, ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"})
    void isTheHashOfTheStandard(String content, String hash) {
        assertThat(Sha256.of(content.getBytes(StandardCharsets.US_ASCII))).isEqualTo(hash);
    }
}
