package org.opensatchel.formats.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A place in a document is shown in its lines, marked; one that is not there shows the beginning. */
class PassageTest {

    private static Passage of(String content, String at, String text) {
        return Passage.of(content.replace("¶", "\n").getBytes(StandardCharsets.UTF_8), at, text);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "one¶two a.png¶three | 2:5 | a.png | 2:a.png",
            "one¶two é a.png | 2:7 | a.png | 2:a.png",
            "{\"a\":¶ [1, {\"b\": \"x.png\"}]} | /a/1/b | x.png | 2:x.png",
            "{\"a\": {\"x.png\": 1},¶ \"b\": \"x.png\"} | /b | x.png | 2:x.png",
            "{\"a\": \"C:\\\\x\\\\a.png\", \"b\": 1} | /a | C:\\x\\a.png | 1:\"C:\\\\x\\\\a.png\"",
            "<svg>¶<image href='a.png'/>¶<image href='b.png'/></svg> | /svg[1]/image[2]/@href | b.png | 3:b.png",
            "<svg><g>¶<image href='a&amp;b.png'/></g></svg> | /svg[1]/g[1]/image[1]/@href | a&b.png | 2:<image href='a&amp;b.png'/",
            "<a>¶<b>x.png</b></a> | /a[1]/b[1] | x.png | 2:x.png"})
    void thePlaceIsMarked(String content, String at, String text, String wanted) {
        Passage passage = of(content, at, text);
        assertThat(passage.found()).isTrue();
        assertThat(passage.lines().stream().filter(Passage.Line::isMarked).map(line -> line.number() + ":" + line.mark()).toList())
                .isEqualTo(List.of(wanted));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"one¶two | 9:1", "{\"a\": 1} | /b/c", "{broken | /a", "<a><b> | /x[1]", "one | page 3", "one | ''",
            "'' | 1:1"})
    void aPlaceThatIsNotThereShowsTheBeginning(String content, String at) {
        Passage passage = of(content == null ? "" : content, at, "");
        assertThat(passage.lines().get(0).number()).isEqualTo(1);
    }

    @Test
    void aVeryLongLineIsCutAroundTheMark() {
        Passage passage = of("[\"" + "a".repeat(500_000) + "\", \"x.png\", \"" + "b".repeat(500_000) + "\"]", "/1", "x.png");
        Passage.Line line = passage.lines().get(0);
        assertThat(line.mark()).isEqualTo("x.png");
        assertThat(line.before().length() + line.after().length()).isLessThan(1_000);
    }
}
