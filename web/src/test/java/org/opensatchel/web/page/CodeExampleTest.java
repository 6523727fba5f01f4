package org.opensatchel.web.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.check.Checks;
import org.opensatchel.core.finding.Code;

/** Every code that some check gives is drawn on the page that explains it. */
class CodeExampleTest {

    static Set<Code> codes() {
        return Checks.catalogue().keySet();
    }

    @ParameterizedTest
    @MethodSource("codes")
    void hasAThreadOfItsOwn(Code code) {
        CodeExample example = CodeExample.of(code);
        assertThat(example.left()).as(code.id()).isNotBlank();
        assertThat(example.right()).as(code.id()).isNotBlank();
        assertThat(example.kind()).isIn("pinned", "broken", "name", "far");
    }
}
