package org.opensatchel.base.fact;

import static org.assertj.core.api.Assertions.assertThat;
import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.CHANGE;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.path.ProjectPath;

/** What findings and phrases hold: typed, immutable, and the same again after JSON. */
class FactsTest {

    private static final Phrase INNER = new Phrase("any.key", Facts.of(COUNT, 2));

    private static Facts again(Facts facts) {
        Map<String, Object> read = JsonDocuments.MAPPER.readValue(JsonDocuments.MAPPER.writeValueAsString(facts.json()),
                new tools.jackson.core.type.TypeReference<LinkedHashMap<String, Object>>() {});
        return Facts.fromJson(read);
    }

    @Test
    void everyKindIsTheSameAfterJson() {
        Facts facts = Facts.of(FOUND, ProjectPath.of("a/“b”.png")).and(COUNT, 3).and(BYTES, 5_000_000_000L).and(VALUE, -12.5)
                .and(HOW, "gone").and(OTHERS, List.of("x", "y"))
                .and(CHANGE, INNER).and(PARTS, List.of(INNER, INNER));
        assertThat(again(facts)).isEqualTo(facts);
        assertThat(facts.json()).containsEntry("found", "a/“b”.png").containsEntry("count", 3L).containsEntry("others", List.of("x", "y"));
    }

    @Test
    void whatIsAbsentAddsNothing() {
        assertThat(Facts.NONE.and(FOUND, Optional.empty()).and(COUNT, null)).isEqualTo(Facts.NONE);
        assertThat(Facts.of(FOUND, Optional.of("a")).text(FOUND)).contains("a");
        assertThat(Facts.NONE.text(FOUND)).isEmpty();
        assertThat(Facts.NONE.number(COUNT)).isZero();
        assertThat(Facts.of(COUNT, 3).text(COUNT)).as("a number is no text").isEmpty();
    }

    @Test
    void addingMakesNewOnes() {
        Facts first = Facts.of(COUNT, 1);
        Facts second = first.and(COUNT, 2).and(Facts.of(FOUND, "a"));
        assertThat(first.number(COUNT)).isEqualTo(1);
        assertThat(second.number(COUNT)).isEqualTo(2);
        assertThat(second.names()).containsExactlyInAnyOrder(COUNT, FOUND);
    }

    /** Very many names are one fact: the first of them, and how many there are. */
    @Test
    void ofVeryManyTextsTheFirstAreKeptAndTheirNumber() {
        Facts facts = Facts.of(OTHERS, IntStream.range(0, 5_000).mapToObj(i -> "n" + i).toList());
        assertThat(facts.get(OTHERS)).hasValueSatisfying(fact -> assertThat(fact).isInstanceOfSatisfying(Fact.Texts.class, texts -> {
            assertThat(texts.values()).hasSize(Facts.MOST_TEXTS).startsWith("n0", "n1");
            assertThat(texts.all()).isEqualTo(5_000);
        }));
        assertThat(again(facts)).isEqualTo(facts);
    }

    @Test
    void theyAreShortenedToTheLast() {
        Facts facts = Facts.of(FOUND, "long name").and(OTHERS, List.of("another long name"))
                .and(CHANGE, new Phrase("x", Facts.of(FOUND, "inner long name"))).and(COUNT, 7);
        Facts cut = facts.shortened(text -> text.substring(0, 4));
        assertThat(cut.json().toString()).contains("long", "anot", "inne", "7").doesNotContain("name");
    }

    /** A report from somewhere else may hold anything under facts: what is not known is passed over. */
    @Test
    void whatIsNotKnownIsPassedOver() {
        Map<String, Object> odd = new LinkedHashMap<>();
        odd.put("tomorrow", "x");
        odd.put("count", "no number");
        odd.put("found", List.of(1, 2));
        odd.put("other", null);
        odd.put("change", Map.of("no", "phrase"));
        odd.put("example", "E:\\a");
        assertThat(Facts.fromJson(odd).text(FactName.EXAMPLE)).contains("E:\\a");
    }
}
