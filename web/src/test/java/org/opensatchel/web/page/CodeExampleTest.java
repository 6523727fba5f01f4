package org.opensatchel.web.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.words.Words;

/** Every code that some check gives is drawn on the page that explains it. */
class CodeExampleTest {

    static Set<Code> codes() {
        return Rules.judged();
    }

    @ParameterizedTest
    @MethodSource("codes")
    void hasAThreadOfItsOwn(Code code) {
        CodeExample example = CodeExample.of(code, Words.ENGLISH);
        assertThat(example.left()).as(code.id()).isNotBlank();
        assertThat(example.right()).as(code.id()).isNotBlank();
        assertThat(example.kind()).isIn("pinned", "broken", "name", "far");
    }
}
