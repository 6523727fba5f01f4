package org.opensatchel.web.home;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
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
        // What is not there is a thread that ends in the air; a number that is missing in a name is only a name.
        if (code.id().matches(".*\\.(.*-)?(missing|gone)") && code != Code.NAME_VERSION_MISSING) {
            assertThat(example.kind()).as(code.id()).isEqualTo("broken");
        }
        assertThat(CodeExample.of(code, Words.in(Locale.GERMAN)).kind()).isEqualTo(example.kind());
    }
}
