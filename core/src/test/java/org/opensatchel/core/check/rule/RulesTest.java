package org.opensatchel.core.check.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.finding.Code;

/** The list of the rules: each there once, each giving something, and nothing offered that nobody gives. */
class RulesTest {

    @Test
    void everyRuleStandsOnceAndGivesSomething() {
        Set<Class<?>> seen = new HashSet<>();
        assertThat(Rules.all()).allSatisfy(rule -> {
            assertThat(seen.add(rule.getClass())).as(rule.getClass().getSimpleName()).isTrue();
            assertThat(rule.gives()).as(rule.getClass().getSimpleName()).isNotEmpty();
            assertThat(rule.needs().isInterface()).as(rule.getClass().getSimpleName()).isTrue();
        });
    }

    @Test
    void everyCodeIsGivenBySomebody() {
        assertThat(Rules.judged()).containsExactlyInAnyOrder(Code.values());
    }

    /** The small things a rule may look at: none of them grows into all there is. */
    @Test
    void evidenceStaysNarrow() {
        assertThat(Rules.all()).extracting(rule -> rule.needs().getDeclaredMethods().length).allMatch(methods -> methods <= 12);
    }
}
