package org.opensatchel.web.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Folded;
import org.opensatchel.web.text.Folded.Fact;
import org.opensatchel.web.text.Names;
import org.opensatchel.web.text.Speech;

/** The links of a report as its list shows them; what is said of many of them alike is looked up once. */
final class LinkRows {

    private static final int LONGEST = 110;
    private static final Set<String> SOUND = Set.of("ok", "embedded");
    private static final Set<String> OPEN = Set.of("remote", "unknown");

    private final Map<String, String> said = new HashMap<>();
    private final Words words;

    private LinkRows(Words words) {
        this.words = words;
    }

    /** The links of a page, from the place of the first one among all. */
    static List<Folded> of(List<LinkLine> links, int first, Words words) {
        LinkRows telling = new LinkRows(words);
        List<Folded> out = new ArrayList<>();
        for (LinkLine link : links) {
            out.add(telling.row(link, first + out.size()));
        }
        return out;
    }

    private static String mark(String outcome) {
        return SOUND.contains(outcome) ? "ready" : outcome.equals("misspelt") ? "should" : OPEN.contains(outcome) ? "note" : "must";
    }

    private String say(String key) {
        return said.computeIfAbsent(key, Speech::say);
    }

    private Folded row(LinkLine link, int number) {
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
        Sentence what = Sentence.name(Names.shortened(link.text(), LONGEST));
        return new Folded("link-" + number, mark(link.outcome()), outcome,
                link.sure().isPresent() ? what.and(" · " + say("report.guessed")) : what, facts);
    }

    private Fact name(String key, String name) {
        return new Fact(say(key), List.of(Sentence.name(name)));
    }

    private Sentence candidate(CandidateLine candidate) {
        return Sentence.words(say(Likelihood.of(candidate.sure()).say()) + " ").and(Sentence.name(candidate.path())).and(" (")
                .and(words.of(candidate)).and(")");
    }
}
