package org.opensatchel.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every pattern and every student. */
class NamePatternPropertiesTest {

    private static final List<String> PARTS = List.of("{last}", "{first:lower}", "{id}", "{course}", "{assignment:upper}", "{word}",
            "{text}", "{version:2}", "{version}", "{number:3}", "{date}", "{word:upper}", "_", "-", "v", " ", "é", "A2", "final", ".");
    private static final List<String> NAMES = List.of("Marsh", "Ó Duibhne", "D'Amberley", "de la Cruz", "O’Neill", "Ng", "Straße", "İnci",
            "Æble", "李");

    static LongStream seeds() {
        return LongStream.range(0, 150);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatAPatternMakesFitsIt(long seed) {
        Random random = new Random(seed);
        NamePattern pattern = pattern(random);
        RosterFields student = student(random);
        for (boolean ascii : new boolean[]{false, true}) {
            Optional<String> shortest = pattern.shortest(student, ascii, false);
            shortest.ifPresent(
                    name -> assertThat(pattern.test(name, student, ascii).fits()).as("seed %d: %s and %s", seed, pattern, name).isTrue());
            pattern.make(student, ascii).ifPresent(name -> {
                assertThat(pattern.fits(name, student, ascii)).as("seed %d: %s makes %s", seed, pattern, name).isTrue();
                assertThat(shortest).as("a name the roster makes is the shortest there is").contains(name);
            });
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void twoPatternsMeetWhenOneNameFitsBoth(long seed) {
        Random random = new Random(seed);
        NamePattern one = pattern(random);
        NamePattern other = pattern(random);
        RosterFields student = student(random);
        assertThat(one.meets(other, student, false)).as("seed %d: %s and %s", seed, one, other).isEqualTo(other.meets(one, student, false));
        assertThat(one.meets(one, student, false)).as("seed %d: a pattern meets itself: %s", seed, one).isTrue();
        for (NamePattern maker : List.of(one, other)) {
            maker.shortest(student, false, false).filter(name -> one.fits(name, student, false) && other.fits(name, student, false))
                    .ifPresent(name -> assertThat(one.meets(other, student, false)).as("seed %d: %s fits %s and %s", seed, name, one, other)
                            .isTrue());
        }
    }

    /** The nearest right name is right, and nothing is nearer to a right name than itself. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theNearestRightNameIsRight(long seed) {
        Random random = new Random(seed);
        NamePattern pattern = pattern(random);
        RosterFields student = student(random);
        Optional<String> made = pattern.shortest(student, false, false);
        if (made.isEmpty()) {
            return;
        }
        StringBuilder wrong = new StringBuilder(made.get());
        for (int i = random.nextInt(3); i >= 0 && !wrong.isEmpty(); i--) {
            int at = random.nextInt(wrong.length());
            switch (random.nextInt(3)) {
                case 0 -> wrong.deleteCharAt(at);
                case 1 -> wrong.insert(at, 'x');
                default -> wrong.setCharAt(at, 'Q');
            }
        }
        if (pattern.test(wrong.toString(), student, false) instanceof NameVerdict.Differs differs) {
            assertThat(differs.at()).isBetween(0, wrong.codePointCount(0, wrong.length()));
            differs.nearest().ifPresent(name -> assertThat(pattern.fits(name, student, false))
                    .as("seed %d: %s for %s by %s", seed, name, wrong, pattern).isTrue());
        }
    }

    private static NamePattern pattern(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = 1 + random.nextInt(6); i > 0; i--) {
            text.append(PARTS.get(random.nextInt(PARTS.size())));
        }
        return NamePattern.of(text.toString());
    }

    private static RosterFields student(Random random) {
        List<String> names = new ArrayList<>(NAMES);
        return new RosterFields(Map.of(RosterField.LAST, names.get(random.nextInt(names.size())), RosterField.FIRST,
                names.get(random.nextInt(names.size())), RosterField.ID, "26" + random.nextInt(9999),
                RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));
    }
}
