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
        Folded line = new Folded("link-1", "must", words, sentence, List.of(new Folded.Fact(words, List.of(sentence)),
                new Folded.Fact("Perhaps", List.of(sentence, Sentence.name(name)))));
        return engine.process(template,
                new Context(Locale.ENGLISH, Map.of("s", sentence, "all", List.of(sentence, sentence), "lines", List.of(line))));
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
        assertThat(said(words, name, "<ul say:list=\"${all}\"></ul>")).isEqualTo("<ul><li>" + html + "</li><li>" + html + "</li></ul>");
        String plain = html.substring(0, html.indexOf("<span"));
        String shown = html.substring(html.indexOf("<span"));
        assertThat(said(words, name, "<div say:folded=\"${lines}\"></div>")).isEqualTo("<div><details id=\"link-1\"><summary>"
                + "<span class=\"state must\">" + plain + "</span><span>" + html + "</span></summary><dl><dt>" + plain + "</dt><dd>" + html
                + "</dd><dt>Perhaps</dt><dd><div>" + html + "</div><div>" + shown + "</div></dd></dl></details>\n</div>");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"'must'|must be fixed", "'should'|should be fixed", "'note'|worth knowing",
            "'ready'|in order"})
    void aMarkIsDrawnAndSaysWhatItIs(String severity, String words) {
        assertThat(said("a", "b", "<svg say:mark=\"" + severity + "\"></svg>")).startsWith("<svg class=\"sign " + severity.replace("'", ""))
                .contains("aria-label=\"" + words + "\"").containsPattern("<(path|circle) [^>]+/></svg>$");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"<i say:it=\"${s}\" th:if=\"${false}\">x</i>|0",
            "<i th:each=\"one : ${all}\" say:it=\"${one}\">x</i>|2"})
    void conditionsAndLoopsComeFirst(String template, int times) {
        assertThat(said("a", "b", template).split("<i>", -1)).hasSize(times + 1);
    }
}
