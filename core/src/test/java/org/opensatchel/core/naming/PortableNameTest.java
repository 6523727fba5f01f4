package org.opensatchel.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PortableNameTest {

    @ParameterizedTest
    @ValueSource(strings = {"a:b.mp4", "a?.png", "con", "CON.txt", "lpt1.tar.gz", "a.", "a ", "x\u202ey", "tab\there", "nul .txt",
            "a\u200bb", "a\ufffdb", "com¹"})
    void isRefusedSomewhere(String name) {
        assertThat(PortableName.refusal(name)).isPresent();
    }

    @ParameterizedTest
    @ValueSource(strings = {"console.txt", "Ó Duibhne.mp4", "a.b.c", "…", "日本.png", "com10", "icon", ".hidden", "नमस्ते"})
    void isFineEverywhere(String name) {
        assertThat(PortableName.refusal(name)).isEmpty();
    }
}
