package org.opensatchel.base.path;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NameFoldingTest {

    @ParameterizedTest
    @CsvSource({"Footage,footage", "ÉTUDE,étude", "e\u0301tude,Étude", "STRASSE,straße", "ẞ,ss", "ΣΊΣΥΦΟΣ,σίσυφος", "ﬁlm,FILM"})
    void namesThatDifferInWhatSystemsIgnoreAreOne(String a, String b) {
        assertThat(NameFolding.folded(a)).isEqualTo(NameFolding.folded(b));
    }

    @Test
    void dotlessIIsALetterOfItsOwn() {
        assertThat(NameFolding.folded("ı")).isNotEqualTo(NameFolding.folded("i"));
    }

    @Test
    void trailingBlanksAndDotsGoFromEveryNameOfAPath() {
        assertThat(NameFolding.lookupKey("Sound /hum.wav. ")).isEqualTo("sound/hum.wav");
        assertThat(NameFolding.lookupKey("../a")).isEqualTo("../a");
    }

    @Test
    void looseDropsWhatPeopleMixUp() {
        assertThat(NameFolding.loose("Take-1 Été.wav")).isEqualTo(NameFolding.loose("take_1ete.wav"));
    }
}
