package org.opensatchel.core.words;

import static org.opensatchel.base.fact.FactName.MORE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.report.Report.CarryFileLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;

/**
 * The one place where facts become words: everything the product says of projects, kits, names and rosters, in one language. Used from
 * many threads at once.
 */
public final class Words {

    /** What is said when nothing else is asked for. */
    public static final Words ENGLISH = new Words(Bundle.of(Locale.ENGLISH));

    private static final Words GERMAN = new Words(Bundle.of(Locale.GERMAN));
    private static final List<Words> ALL = List.of(ENGLISH, GERMAN);

    private final Bundle bundle;
    private final SentenceMaker sentences;

    private Words(Bundle bundle) {
        this.bundle = bundle;
        this.sentences = new SentenceMaker(bundle);
    }

    /** The language nearest to the one asked for; English where there is none. */
    public static Words in(Locale locale) {
        return ALL.stream().filter(words -> words.locale().getLanguage().equals(locale.getLanguage())).findFirst().orElse(ENGLISH);
    }

    /** The same language, with the words of another module too: those beside a class of it. */
    public Words including(Class<?> owner) {
        return new Words(bundle.and(owner));
    }

    /** Whether anything stands under a key. */
    public boolean has(String key) {
        return bundle.has(key);
    }

    /** What stands under a key as it is, without facts. */
    public String plain(String key) {
        return bundle.text(key);
    }

    /** Every key there is. */
    public Set<String> keys() {
        return bundle.keys();
    }

    /** Every language there is, by its own name's order. */
    public static List<Locale> languages() {
        return ALL.stream().map(Words::locale).toList();
    }

    public Locale locale() {
        return bundle.locale();
    }

    Bundle bundle() {
        return bundle;
    }

    // What is said of findings.

    /** The title of a code as it stands in reports; the code itself where this product has none of that name. */
    public String title(String code) {
        return Code.of(code).map(this::title).orElse(code);
    }

    public String title(Code code) {
        return bundle.text(code.id() + ".title");
    }

    /** All that is said of a finding. */
    public Said of(Finding finding) {
        Optional<String> at = Optional.of(finding.at().text()).filter(place -> !place.isEmpty());
        boolean guess = finding.sure().isPresent() && finding.sure().getAsDouble() < 0.5;
        return guess ? guessed(finding.code(), finding.path().text(), at, finding.facts())
                : of(finding.code(), finding.path().text(), at, finding.facts());
    }

    /** What is said of a project as a whole. */
    public Said of(Code code, Facts facts) {
        return of(code, "", Optional.empty(), facts);
    }

    /** What is said of a finding of a report: made from its facts, or taken as it was written where a report from before has none. */
    public Said of(FindingLine finding) {
        Optional<Code> code = Code.of(finding.code());
        if (code.isEmpty() || finding.facts().isEmpty()) {
            return new Said(code.map(this::title).orElse(finding.code()), Sentence.words(finding.message()), Sentence.words(finding.why()),
                    finding.remedy().stream().map(Sentence::words).toList());
        }
        return finding.guessed() ? guessed(code.get(), finding.path(), finding.at(), finding.facts().get())
                : of(code.get(), finding.path(), finding.at(), finding.facts().get());
    }

    /** The sentence of a finding of a report alone, without why and how. */
    public Sentence message(FindingLine finding) {
        Optional<Code> code = Code.of(finding.code());
        if (code.isEmpty() || finding.facts().isEmpty()) {
            return Sentence.words(finding.message());
        }
        Facts facts = finding.facts().get();
        boolean guess = finding.guessed() && isGuessed(code.get(), facts);
        return facts.names().contains(MORE) ? say("more.same", facts)
                : say(Phrase.of(guess ? guess(code.get()) : code.get().id() + ".one", finding.path(), finding.at(), facts));
    }

    private boolean isGuessed(Code code, Facts facts) {
        return !facts.names().contains(MORE) && bundle.has(guess(code));
    }

    private static String guess(Code code) {
        return "guess." + code.id().substring(code.id().indexOf('.') + 1);
    }

    /** What is said of something that looks like a link in a file of no known format: that it may be one, and first of all to look. */
    private Said guessed(Code code, String path, Optional<String> at, Facts facts) {
        String key = guess(code);
        if (!isGuessed(code, facts)) {
            return of(code, path, at, facts);
        }
        Phrase one = Phrase.of(key, path, at, facts);
        return new Said(bundle.text("guess.title"), say(one), say("guess.why", Facts.NONE),
                List.of(say("guess.remedy.1", one.facts()), say("guess.remedy.2", one.facts())));
    }

    public Sentence of(ConsequenceLine consequence) {
        Optional<Code> code = Code.of(consequence.code());
        if (code.isEmpty() || consequence.facts().isEmpty()) {
            return Sentence.words(consequence.message());
        }
        return consequence.facts().get().names().contains(MORE) ? say("more.following", consequence.facts().get())
                : say(Phrase.of(code.get().id() + ".one", consequence.path(), consequence.at(), consequence.facts().get()));
    }

    /** Why a candidate is one. */
    public Sentence of(CandidateLine candidate) {
        return candidate.reason().map(reason -> say(reason.say())).orElse(Sentence.words(candidate.why()));
    }

    public Sentence of(CarryLinkLine broken) {
        return broken.reason().map(this::say).orElse(Sentence.words(broken.why()));
    }

    public Sentence of(CarryFileLine refused) {
        return refused.reason().map(this::say).orElse(Sentence.words(refused.why()));
    }

    public Sentence of(ReportDigest.Reason broken) {
        return broken.reason().map(this::say).orElse(Sentence.words(broken.why()));
    }

    private Said of(Code code, String path, Optional<String> at, Facts facts) {
        Phrase one = Phrase.of(code.id() + ".one", path, at, facts);
        Sentence message = facts.names().contains(MORE) ? say("more.same", facts) : say(one);
        return new Said(title(code), message, say(code.id() + ".why", one.facts()), remedy(code, one.facts()));
    }

    /** The steps that fix what a code stands for, whatever the case. */
    public List<Sentence> remedy(Code code) {
        return remedy(code, Facts.NONE);
    }

    private List<Sentence> remedy(Code code, Facts facts) {
        List<Sentence> out = new ArrayList<>();
        for (int i = 1; bundle.has(code.id() + ".remedy." + i); i++) {
            Sentence step = say(code.id() + ".remedy." + i, facts);
            if (!step.isEmpty()) {
                out.add(step);
            }
        }
        return out;
    }

    /** The steps that fix all of a group: those of one, or what is the same for many. */
    public List<Sentence> remedy(FindingGroups.Group group) {
        Optional<Code> code = Code.of(group.code());
        boolean anew = group.isMany() && !group.isGuess() && code.isPresent() && group.first().facts().isPresent();
        return anew ? remedy(code.get(), group.shared()) : of(group.first()).remedy();
    }

    public Sentence why(Code code) {
        return say(code.id() + ".why", Facts.NONE);
    }

    /** The heading over several findings of one code: what they share, and how many they are. */
    public Sentence many(Code code, Facts shared) {
        return say(code.id() + ".many", shared);
    }

    /** The heading over a group: the title of one, or what several share. */
    public Sentence heading(FindingGroups.Group group) {
        Optional<Code> code = Code.of(group.code());
        if (group.isGuess()) {
            return group.isMany() ? say("guess.many", group.shared()) : Sentence.words(bundle.text("guess.title"));
        }
        return group.isMany() && code.isPresent() ? many(code.get(), group.shared())
                : Sentence.words(code.map(this::title).orElse(group.code()));
    }

    /** What a report says that was not checked, a sentence each; the documents whose links nobody looked at stand in one. */
    public List<Sentence> notChecked(List<String> notChecked) {
        List<Sentence> out = new ArrayList<>();
        notChecked.stream().filter(what -> what.indexOf(':') < 0 && !what.equals(Report.PEAKS))
                .forEach(what -> out.add(say("not-checked." + what, Facts.NONE)));
        List<String> unheard = Report.unheard(notChecked);
        if (!unheard.isEmpty()) {
            out.add(say("unheard-sounds", Facts.of(FactName.COUNT, unheard.size()).and(FactName.OTHERS, unheard)));
        }
        List<String> unread = Report.unread(notChecked);
        if (!unread.isEmpty()) {
            out.add(say("unread-documents", Facts.of(FactName.COUNT, unread.size()).and(FactName.OTHERS, unread)));
        }
        return out;
    }

    /**
     * Where something stands, in the words of who made the document where there are some.
     *
     * @param document what the place is in
     * @param at the place as reports write it; empty for the whole
     */
    public String place(String document, String at) {
        return PlaceWords.of(this, document, at);
    }

    // Anything else.

    public String text(Phrase phrase) {
        return say(phrase).toString();
    }

    public Sentence say(Phrase phrase) {
        return say(phrase.key(), phrase.facts());
    }

    /**
     * What stands under a key, filled with facts; a key that is not known says itself, which only a report from a later version can bring.
     */
    public Sentence say(String key, Facts facts) {
        return sentences.say(key, facts);
    }

    /**
     * What stands under a key, filled in order: {@code {0}} with the first value. Texts are set in as they are, numbers and words from a
     * fixed list may choose a form.
     */
    public String fill(String key, Object... values) {
        return sentences.fill(key, values);
    }

    /** What a format is called, by its id. */
    public String format(String id) {
        return sentences.format(id);
    }

    /** A machine's title: that of one of ours in this language, any other as it was given. */
    public String machine(String title) {
        return sentences.machine(title);
    }

    /** Several texts as the language lists them, the last with its word for and. */
    public String list(List<String> texts) {
        return sentences.list(texts);
    }

    /** A time as a person would say it: in seconds up to a minute and a half, then in minutes, hours and days. */
    public String length(double seconds) {
        return sentences.length(seconds);
    }

    /** A number of bytes in the unit a person would use. */
    public String size(long bytes) {
        return sentences.size(bytes);
    }
}
