package org.opensatchel.base.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is left out is told, and what is left is whole. */
class ShortenedTest {

    private static final String FLAG = "\uD83C\uDFF4\u200D\u2620";

    @ParameterizedTest
    @CsvSource({"kettle, 6, kettle", "kettle, 5, kett…", "kettle, 1, …", "ke\u0301ttle, 3, k…", "ke\u0301ttle, 4, ke\u0301…",
            "a\uD83D\uDE00b, 3, a…",
            "a\uD83D\uDE00bc, 4, a\uD83D\uDE00…"})
    void theBeginningStays(String text, int most, String expected) {
        assertThat(Shortened.end(text, most)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"kettle, 6, kettle", "kettle, 5, kettl", "a\uD83D\uDE00b, 2, a", "ke\u0301ttle, 2, k"})
    void whatIsStoredHasNoEllipsis(String text, int most, String expected) {
        assertThat(Shortened.cut(text, most)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"stall_opening_v02.otio, 12, 8, sta…v02.otio", "stall.otio, 12, 8, stall.otio", "aaaaaaaaaa\uD83D\uDE00z, 8, 2, aaaaa…z",
            "aaaaaaaaaae\u0301z, 8, 2, aaaaa…z"})
    void theEndOfANameStays(String text, int most, int tail, String expected) {
        assertThat(Shortened.middle(text, most, tail)).isEqualTo(expected);
    }

    @Test
    void nothingIsLongerThanAskedOrSplit() {
        long seed = System.nanoTime();
        Random random = new Random(seed);
        String[] letters = {"a", "e\u0301", "\uD83D\uDE00", FLAG, "/", "\u0301"};
        for (int i = 0; i < 5_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int k = random.nextInt(30); k > 0; k--) {
                text.append(letters[random.nextInt(letters.length)]);
            }
            int most = 1 + random.nextInt(40);
            int tail = random.nextInt(most);
            for (String told : new String[]{Shortened.end(text.toString(), most), Shortened.middle(text.toString(), most, tail),
                    Shortened.cut(text.toString(), most)}) {
                assertThat(told.length()).as("seed %d", seed).isLessThanOrEqualTo(most);
                assertThat(told.codePoints().noneMatch(point -> Character.getType(point) == Character.SURROGATE)).as("seed %d", seed)
                        .isTrue();
            }
        }
    }

    @Test
    void aTextOfNothingButMarksIsCutAllTheSame() {
        assertThat(Shortened.end("a" + "\u0301".repeat(10_000), 100)).hasSizeBetween(80, 100);
    }
}
