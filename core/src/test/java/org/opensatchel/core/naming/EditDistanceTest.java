package org.opensatchel.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The bounded distance against the whole table of the textbook, on names that are near each other and on such that are not. */
class EditDistanceTest {

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void isThatOfTheWholeTable(int seed) {
        Random random = new Random(seed);
        String a = name(random, random.nextInt(12));
        StringBuilder changed = new StringBuilder(a);
        for (int i = random.nextInt(5); i > 0 && changed.length() > 1; i--) {
            int at = random.nextInt(changed.length() - 1);
            switch (random.nextInt(4)) {
                case 0 -> changed.deleteCharAt(at);
                case 1 -> changed.insert(at, (char) ('a' + random.nextInt(3)));
                case 2 -> changed.setCharAt(at, (char) ('a' + random.nextInt(3)));
                default -> changed.insert(at + 2, changed.charAt(at)).deleteCharAt(at);
            }
        }
        String b = random.nextInt(4) == 0 ? name(random, random.nextInt(12)) : changed.toString();
        for (int most = 0; most < 6; most++) {
            assertThat(EditDistance.within(a, b, most)).as("seed %d: “%s” and “%s” within %d", seed, a, b, most)
                    .isEqualTo(Math.min(most + 1, whole(a, b)));
        }
    }

    private static String name(Random random, int length) {
        return random.ints(length, 'a', 'd').collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
    }

    private static int whole(String a, String b) {
        int[][] table = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            for (int j = 0; j <= b.length(); j++) {
                if (i == 0 || j == 0) {
                    table[i][j] = i + j;
                    continue;
                }
                int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                table[i][j] = Math.min(Math.min(table[i - 1][j] + 1, table[i][j - 1] + 1), table[i - 1][j - 1] + change);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    table[i][j] = Math.min(table[i][j], table[i - 2][j - 2] + 1);
                }
            }
        }
        return table[a.length()][b.length()];
    }
}
