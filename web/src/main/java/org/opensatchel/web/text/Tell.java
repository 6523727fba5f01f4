package org.opensatchel.web.text;

import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.words.Sentence;
import org.springframework.stereotype.Component;

/** For templates: what a phrase says in the language of the page. */
@Component
public class Tell {

    /** Why a file was probably meant. */
    public Sentence of(CandidateLine candidate) {
        return Speech.words().of(candidate);
    }

    /**
     * The words of a page's scripts as JSON.
     *
     * @param part what the page needs beside what all pages have; null for nothing
     */
    public String scripts(String part) {
        return Speech.scripts(part);
    }

    /** A machine's title in the language of the page. */
    public String machine(String title) {
        return Speech.words().machine(title);
    }

    public Sentence of(Phrase phrase) {
        return Speech.words().say(phrase);
    }

    /** A sentence, a phrase, or a file that was probably meant. */
    Sentence any(Object said) {
        if (said instanceof Sentence sentence) {
            return sentence;
        }
        return said instanceof CandidateLine candidate ? of(candidate) : of((Phrase) said);
    }
}
