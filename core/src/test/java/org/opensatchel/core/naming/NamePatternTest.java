package org.opensatchel.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.words.Words;

class NamePatternTest {

    private static final RosterFields MARSH = new RosterFields(
            Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline", RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", value = {
            // pattern | name | where it differs | nearest right name
            "{course}_{assignment}_{last}_{first} | MOV120_A2_Marsh_Ottoline | - | -",
            "{last}_{assignment}_v{version:2} | Marsh_A2_v02 | - | -",
            "{last}_{assignment}_v{version:2} | Marsh_v02 | 6 | Marsh_A2_v02",
            "{last}_{assignment}_v{version:2} | Marsh_A2_v2 | 11 | Marsh_A2_v02",
            "{last}_{assignment}_v{version:2} | marsh_A2_v02 | 0 | Marsh_A2_v02",
            "{last}_{assignment}_v{version:2} | Marsh_A2_v02_final | 12 | Marsh_A2_v02",
            "{last}_{assignment}_final | Marsh_A2_Final | 9 | Marsh_A2_final",
            "{last:lower}_{assignment:lower} | marsh_a2 | - | -",
            "{word}_take{number:3} | alley-cat_take007 | - | -",
            "{word}_take{number:3} | alley cat_take007 | 5 | alleycat_take007",
            "{text} {date} | day one 2026-03-14 | - | -",
            "{date}_{text} | 2026-13-14_x | 5 | 2026-12-14_x",
            "{date}_{text} | 2026-02-30_x | 8 | 2026-02-28_x",
            "{date}_{text} | 2026-00-10_x | 5 | 2026-01-10_x",
            "{date}_{text} | 2026-04-00_x | 8 | 2026-04-01_x",
            "{date}_{text} | 2024-02-29_x | - | -",
            "{date}_{text} | 2026-03-01_like 2026-02-30 | - | -",
            "{text}_{date} | 2026-02-30_2026-03-01 | - | -",
            "{text} | 2026-02-30 | - | -",
            "{date}_{text} | 2026-23-14_x | 5 | -",
            "{team}_final | any team_final | - | -"})
    void testsNames(String pattern, String name, Integer at, String nearest) {
        NameVerdict test = NamePattern.of(pattern).test(name, MARSH, false);
        if (at == null) {
            assertThat(test.fits()).isTrue();
            return;
        }
        assertThat(test).isInstanceOfSatisfying(NameVerdict.Differs.class, differs -> {
            assertThat(differs.at()).isEqualTo(at);
            if (nearest != null) {
                assertThat(differs.nearest()).contains(nearest);
            }
        });
    }

    /** The number may touch other digits, stand in the middle, or be written in the name and mean nothing. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "{last}_{assignment}_v{version:2} | Marsh_A2_v02 | 2 | Marsh_A2_v",
            "{assignment}{version:2} | A203 | 3 | A2",
            "v{version}_{word} | v12_cut7 | 12 | v_cut7",
            "{word}_v{version} | take3_v4 | 4 | take3_v",
            "{last}_v{version:2} | Marsh_v2 | - | -",
            "{last}_cut | Marsh_cut | - | -",
            "{text}{version:3} | a1b002 | 2 | a1b"})
    void findsTheVersion(String pattern, String name, String number, String rest) {
        Optional<NamePattern.Version> version = NamePattern.of(pattern).version(name, MARSH, false);
        assertThat(version.map(found -> Long.toString(found.number())).orElse("-")).isEqualTo(number);
        assertThat(version.map(NamePattern.Version::rest).orElse("-")).isEqualTo(rest);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "{last}_{assignment}_v{version:2} | {last}_{assignment}", "{last} version {version} | {last}", "v{version}_{word} | _{word}",
            "{last}-{version:3}-final | {last}-final", "{version:2} | -", "{last} | -"})
    void leavesTheVersionOut(String pattern, String expected) {
        assertThat(NamePattern.of(pattern).withoutVersion().map(NamePattern::text).orElse("-")).isEqualTo(expected);
    }

    @Test
    void makesTheFileNameFormOfHardNames() {
        NamePattern pattern = NamePattern.of("{last}_{first}");
        assertThat(pattern.make(fields("Ó Duibhne", "Séafra"), false)).contains("ÓDuibhne_Séafra");
        assertThat(pattern.make(fields("Ó Duibhne", "Séafra"), true)).contains("ODuibhne_Seafra");
        assertThat(pattern.make(fields("D’Amberley", "Co'sima"), false)).contains("DAmberley_Cosima");
        assertThat(pattern.make(fields("Sørensen", "Straße"), true)).contains("Sorensen_Strasse");
    }

    @ParameterizedTest
    @CsvSource(quoteCharacter = '"', value = {"{last}_{first},Tamsin", "{first}_{last}_x,Tamsin_x", "MOV_{last}_{first},MOV_Tamsin",
            "MOV_{first}_{last},MOV_Tamsin", "{last}{first},Tamsin", "{first},Tamsin", "x-{first:upper},x-TAMSIN",
            "\"{last}, {first} B\",Tamsin B",
            "{last}_{first}_v{version:2},Tamsin_v01"})
    void whoHasOneNameIsCalledByItAlone(String pattern, String name) {
        RosterFields tamsin = fields("Tamsin", "");
        assertThat(NamePattern.of(pattern).shortest(tamsin, false, false)).contains(name);
        assertThat(NamePattern.of(pattern).missing(tamsin)).isEmpty();
        assertThat(NamePattern.of(pattern).fits(name, tamsin, false)).isTrue();
        assertThat(NamePattern.of(pattern).fits(name + "_", tamsin, false)).isFalse();
    }

    @Test
    void whoseFirstNameIsNotKnownMayHaveAny() {
        RosterFields unknown = new RosterFields(Map.of(RosterField.LAST, "Tamsin"));
        assertThat(NamePattern.of("{last}_{first}").missing(unknown)).containsExactly(RosterField.FIRST);
        assertThat(NamePattern.of("{last}_{first}").fits("Tamsin_Reed", unknown, false)).isTrue();
        assertThat(NamePattern.of("{last}_{first}").fits("Tamsin", unknown, false)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"{last}_{assignment}_v{version:2},Marsh_A2_v01", "stall_{word},stall_lantern", "{word:upper}-{number:3},LANTERN-001",
            "{date}_{text},2026-01-31_lantern", "edit,edit", "{number}{last:lower},1marsh"})
    void anExampleIsANameAndNoPattern(String pattern, String example) {
        assertThat(NamePattern.of(pattern).example(MARSH, false)).isEqualTo(example);
        assertThat(NamePattern.of(pattern).fits(example, MARSH, false)).isTrue();
    }

    @Test
    void whatIsNotKnownOfSomebodyIsLeftOut() {
        assertThat(NamePattern.of("{last}_{first}").example(new RosterFields(Map.of(RosterField.LAST, "Tamsin")), false))
                .isEqualTo("Tamsin_…");
    }

    @Test
    void comparesComposed() {
        assertThat(NamePattern.of("{first}").test("Se\u0301afra", fields("x", "Séafra"), false).fits()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"{last,0", "a{lost},1", "a}b,1", "{version:0},0", "{version:x},0", "é{last:title},1", "{date:2},0", "{version:99},0"})
    void pointsAtWhatCannotBeRead(String pattern, int at) {
        assertThat(NamePattern.read(pattern).fault()).hasValueSatisfying(fault -> {
            assertThat(fault.at()).isEqualTo(at);
            assertThat(Words.ENGLISH.text(fault.what())).isNotBlank();
        });
    }

    @Test
    void whatAPatternMakesFitsIt() {
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        List<String> parts = List.of("{last}", "{first}", "{course}", "{assignment}", "{last:lower}", "{first:upper}", "_", "-", "film",
                "É");
        for (int i = 0; i < 2_000; i++) {
            StringBuilder text = new StringBuilder("x");
            for (int j = 0; j < 5; j++) {
                text.append(parts.get(random.nextInt(parts.size())));
            }
            NamePattern pattern = NamePattern.of(text.toString());
            String made = pattern.make(MARSH, random.nextBoolean()).orElseThrow();
            assertThat(pattern.test(made, MARSH, false).fits()).as("%s makes %s (seed %d)", text, made, seed).isTrue();
        }
    }

    @Test
    void theNearestNameFitsAndLongNamesStayQuick() {
        NamePattern pattern = NamePattern.of("{text}{text}{text}{word}{text}x");
        assertThat(pattern.test("a".repeat(5_000), MARSH, false).fits()).isFalse();
        NamePattern roots = NamePattern.of("{course}_{assignment}_{last}_{first}");
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            StringBuilder name = new StringBuilder("MOV120_A2_Marsh_Ottoline");
            name.setCharAt(random.nextInt(name.length()), (char) ('a' + random.nextInt(26)));
            name.deleteCharAt(random.nextInt(name.length()));
            if (roots.test(name.toString(), MARSH, false) instanceof NameVerdict.Differs differs) {
                assertThat(roots.test(differs.nearest().orElseThrow(), MARSH, false).fits()).isTrue();
            }
        }
    }

    private static RosterFields fields(String last, String first) {
        return new RosterFields(Map.of(RosterField.LAST, last, RosterField.FIRST, first));
    }
}
