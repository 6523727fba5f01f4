package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;

class CatalogueTest {

    @Test
    void everyCodeIsGivenByOneCheckAndSaysWhatWhyAndHow() {
        Map<Code, Integer> given = new EnumMap<>(Code.class);
        Checks.all().forEach(check -> check.catalogue().keySet().forEach(code -> given.merge(code, 1, Integer::sum)));
        given.remove(Code.NAME_SOMEONE_ELSE);
        assertThat(given.values()).containsOnly(1);
        for (Advice advice : Checks.catalogue().values()) {
            assertThat(advice.title()).isNotBlank().doesNotEndWith(".");
            assertThat(advice.why()).endsWith(".");
            assertThat(advice.remedy()).isNotEmpty().allSatisfy(step -> assertThat(step).endsWith("."));
        }
    }

    @Test
    void idsAreUniqueAndFoundAgain() {
        assertThat(Stream.of(Code.values()).map(Code::id)).doesNotHaveDuplicates();
        assertThat(Code.of("link.pinned")).contains(Code.LINK_PINNED);
        assertThat(Code.of("link.none")).isEmpty();
    }
}
