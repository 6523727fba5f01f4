package org.opensatchel.core.example;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;

/** Why examples taught nothing certain. */
public enum NothingLearned implements Wording {
    /** Every document in them is of a format that is read already, or there is none. */
    NO_DOCUMENT,
    /** Nothing in their documents looks like a file of theirs. */
    NOTHING_LEADS(FOUND),
    /** Something does, but not enough. */
    TOO_LITTLE(FOUND, COUNT);

    private final Set<FactName> takes;

    NothingLearned(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("lesson", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }

    /** Why nothing was learned; empty where something was. */
    public static Optional<Phrase> of(List<Example> examples, Learned learned) {
        if (!learned.kinds().isEmpty()) {
            return Optional.empty();
        }
        if (examples.stream().allMatch(example -> example.documents().isEmpty())) {
            return Optional.of(NO_DOCUMENT.say());
        }
        Optional<Learned.Open> doubtful = learned.open().stream().filter(open -> !open.undecided().isEmpty()).findFirst();
        String first = examples.stream().flatMap(example -> example.documents().stream()).findFirst().orElseThrow().path().text();
        return Optional.of(doubtful
                .map(open -> TOO_LITTLE.say(Facts.of(FOUND, name(open.files())).and(COUNT,
                        open.undecided().stream().mapToInt(slot -> slot.evidence().leading()).sum())))
                .orElseGet(() -> NOTHING_LEADS.say(Facts.of(FOUND, first))));
    }

    private static String name(String files) {
        return files.substring(files.lastIndexOf('/') + 1);
    }
}
