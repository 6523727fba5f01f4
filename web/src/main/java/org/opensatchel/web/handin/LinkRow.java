package org.opensatchel.web.handin;

import java.text.NumberFormat;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Fact;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/**
 * A link as the list of a report shows it.
 *
 * @param number its place among all links of the report
 * @param mark how serious its outcome looks: {@code ready}, {@code should}, {@code note} or {@code must}
 * @param words its outcome, told
 * @param text what is written in the document, as much as a line has room for
 * @param guessed whether no format says that it is a link
 */
public record LinkRow(int number, String mark, String words, String text, boolean guessed, List<Fact> facts) {

    private static final int LONGEST = 110;
    private static final Set<String> SOUND = Set.of("ok", "embedded");
    private static final Set<String> OPEN = Set.of("remote", "unknown");

    /** The links of a page, from the place of the first one among all. */
    static List<LinkRow> of(List<LinkLine> links, int first, Words words) {
        Telling telling = new Telling(words);
        List<LinkRow> out = new ArrayList<>();
        for (LinkLine link : links) {
            out.add(telling.row(link, first + out.size()));
        }
        return out;
    }

    private static String mark(String outcome) {
        return SOUND.contains(outcome) ? "ready" : outcome.equals("misspelt") ? "should" : OPEN.contains(outcome) ? "note" : "must";
    }

    /** What is said of many links alike is looked up once. */
    private static final class Telling {
        private final Map<String, String> said = new HashMap<>();
        private final Words words;
        private final NumberFormat percent;

        Telling(Words words) {
            this.words = words;
            this.percent = NumberFormat.getPercentInstance(words.locale());
        }

        private String say(String key) {
            return said.computeIfAbsent(key, Speech::say);
        }

        LinkRow row(LinkLine link, int number) {
            String outcome = say("outcome." + link.outcome());
            List<Fact> facts = new ArrayList<>(List.of(name("word.document", link.document()),
                    new Fact(say("report.place"), List.of(Sentence.words(Names.shown(words.place(link.document(), link.at()))))),
                    name("report.written", link.text()),
                    new Fact(say("report.form"), List.of(Sentence.words(say("form." + link.form())))),
                    new Fact(say("report.leads"), List.of(Sentence.words(outcome)))));
            link.target().ifPresent(target -> facts.add(name("word.file", target)));
            link.candidates().ifPresent(all -> facts.add(new Fact(say("report.perhaps"), all.stream().map(this::candidate).toList())));
            link.alternatives()
                    .ifPresent(all -> facts.add(new Fact(say("report.also-written"), all.stream().map(Sentence::name).toList())));
            link.gaps().ifPresent(all -> facts.add(name("report.missing", String.join(", ", all))));
            return new LinkRow(number, mark(link.outcome()), outcome, Names.shortened(link.text(), LONGEST), link.sure().isPresent(),
                    facts);
        }

        private Fact name(String key, String name) {
            return new Fact(say(key), List.of(Sentence.name(name)));
        }

        private Sentence candidate(CandidateLine candidate) {
            String sure = Speech.say("report.sure", percent.format(candidate.sure()));
            return Sentence.name(candidate.path()).and(" ").and(words.of(candidate)).and(", " + sure);
        }
    }
}
