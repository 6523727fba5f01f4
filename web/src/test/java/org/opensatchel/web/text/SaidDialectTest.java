package org.opensatchel.web.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.words.Sentence;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templateresolver.StringTemplateResolver;

/** What is said on a page holds names that somebody else chose: they are shown, and never anything else. */
class SaidDialectTest {

    private static String said(String words, String name, String template) {
        SpringTemplateEngine engine = new SpringTemplateEngine();
        engine.setTemplateResolver(new StringTemplateResolver());
        engine.addDialect(new SaidDialect(new Tell()));
        Sentence sentence = new Sentence(List.of(new Sentence.Piece(words, false), new Sentence.Piece(name, true)), "", "");
        return engine.process(template, new Context(Locale.ENGLISH, Map.of("s", sentence, "all", List.of(sentence, sentence))));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', ignoreLeadingAndTrailingWhitespace = false, value = {
            "is called |a.txt|is called <span class=\"name\">a.txt</span>",
            "<b>&|<script>alert(1)</script>|&lt;b&gt;&amp;<span class=\"name\">&lt;script&gt;alert(1)&lt;/script&gt;</span>",
            "x|\" onload=\"y|x<span class=\"name\">&quot; onload=&quot;y</span>",
            "Größe: |Ämter/ü.png|Größe: <span class=\"name\">Ämter/ü.png</span>",
            "${7*7}|[[${s}]]|${7*7}<span class=\"name\">[[${s}]]</span>"})
    void everythingIsText(String words, String name, String html) {
        assertThat(said(words, name, "<p say:it=\"${s}\">example</p>")).isEqualTo("<p>" + html + "</p>");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"<i say:it=\"${s}\" th:if=\"${false}\">x</i>|0",
            "<i th:each=\"one : ${all}\" say:it=\"${one}\">x</i>|2"})
    void conditionsAndLoopsComeFirst(String template, int times) {
        assertThat(said("a", "b", template).split("<i>", -1)).hasSize(times + 1);
    }
}
