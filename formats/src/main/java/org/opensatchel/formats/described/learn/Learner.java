package org.opensatchel.formats.described.learn;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.described.Beginning;
import org.opensatchel.formats.described.Content;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Level;
import org.opensatchel.formats.described.Spot;
import org.opensatchel.formats.described.SpotSink;
import org.opensatchel.formats.described.Texts;
import org.opensatchel.formats.described.Where;
import org.opensatchel.formats.described.learn.Column.Val;
import org.opensatchel.formats.described.learn.Gathering.Part;
import org.opensatchel.formats.link.Unreadable;

/**
 * Learns from sound projects where documents of their kinds keep their links. Evidence beats looks: a place holds links because its
 * values lead to files of the example, whatever it is called. The same examples give the same profile.
 */
public final class Learner {

    private static final long MOST_UNPACKED = 128L << 20;
    private static final int MOST_KNOWN = 500;

    private final List<Example> examples;
    private final List<ValueTargets> leads;

    public Learner(List<Example> examples) {
        this.examples = examples;
        this.leads = examples.stream().map(example -> new ValueTargets(new ExampleFiles(example))).toList();
    }

    /** What was learned of one kind of documents; nothing certain where it has no slots. */
    private record Outcome(Gathering of, KindLearner.Told told, Kind kind) {}

    /** Learns what there is to learn. */
    public Learned learn() throws IOException {
        List<Gathering> gatherings = Gathering.of(examples, leads, MOST_UNPACKED);
        gatherings.forEach(this::hear);
        leads.forEach(one -> one.ground().settle());
        Map<String, List<Outcome>> byFiles = new TreeMap<>();
        for (Gathering gathering : gatherings) {
            byFiles.computeIfAbsent(gathering.sort().wraps() + "|" + gathering.sort().ending(), key -> new ArrayList<>())
                    .add(outcome(gathering));
        }
        List<Outcome> best = byFiles.values().stream().flatMap(outcomes -> best(outcomes).stream()).toList();
        List<Outcome> certain = best.stream().filter(outcome -> outcome.told.links() > 0)
                .sorted(Comparator.comparingLong((Outcome outcome) -> -outcome.told.links()).thenComparing(outcome -> outcome.kind.files()))
                .toList();
        Map<String, List<String>> samples = new LinkedHashMap<>();
        for (int i = 0; i < certain.size(); i++) {
            int number = i;
            certain.get(i).told.samples().forEach((slot, texts) -> samples.put(number + "." + slot, texts));
        }
        List<Learned.Open> open = best.stream().filter(outcome -> outcome.told.links() == 0)
                .map(outcome -> new Learned.Open(outcome.kind.files(), outcome.of.documents(), outcome.told.undecided())).toList();
        return new Learned(certain.stream().map(Outcome::kind).toList(), samples,
                leads.stream().map(one -> one.ground().location().map(place -> place.prefix(place.names().size()))).toList(),
                certain.stream().map(outcome -> outcome.of.documents()).toList(), open);
    }

    /** Of the ways to see the same documents, the one that finds most; documents of one ending may have several first elements. */
    private static List<Outcome> best(List<Outcome> outcomes) {
        List<Outcome> elements = outcomes.stream().filter(outcome -> outcome.of.sort().content() == Content.XML).toList();
        Optional<Outcome> other = outcomes.stream().filter(outcome -> outcome.of.sort().content() != Content.XML)
                .max(Comparator.comparingLong((Outcome outcome) -> outcome.told.links())
                        .thenComparing(outcome -> -outcome.of.sort().content().ordinal()));
        long found = elements.stream().mapToLong(outcome -> outcome.told.links()).sum();
        return other.isPresent() && (elements.isEmpty() || other.get().told.links() > found) ? List.of(other.get()) : elements;
    }

    /** Every whole path speaks for the place where its project lay. */
    private void hear(Gathering gathering) {
        if (gathering.sort().content() == Content.BYTES) {
            gathering.parts().forEach(
                    part -> Texts.among(part.content().bytes()).stream().map(Texts.Hit::text).distinct().forEach(part.doc().leads()::hear));
        }
        for (Map.Entry<Where, List<Val>> column : gathering.columns().entrySet()) {
            column.getValue().forEach(value -> value.doc().leads().hear(value.text()));
        }
    }

    private Outcome outcome(Gathering gathering) {
        Map<Where, List<Val>> columns = gathering.sort().content() == Content.BYTES ? bytes(gathering) : gathering.columns();
        KindLearner.Told told = new KindLearner(columns, gathering.documents()).told();
        return new Outcome(gathering, told, kind(gathering, told));
    }

    /** The values at the places that texts among bytes were found to stand at. */
    private static Map<Where, List<Val>> bytes(Gathering gathering) {
        ByteGuess guess = new ByteGuess();
        for (Part part : gathering.parts()) {
            guess.take(part.content().bytes(), text -> !part.doc().leads().of(text, part.doc().folder()).leads().isEmpty());
        }
        Map<Where, List<Val>> out = new HashMap<>();
        List<Where> places = guess.places();
        for (Part part : gathering.parts()) {
            try {
                Content.BYTES.read(part.content().bytes(), Set.copyOf(places), false, new SpotSink() {
                    @Override
                    protected void take(Where at, String text, Supplier<SourcePosition> place, Level level, long anchor) {
                        out.computeIfAbsent(at, key -> new ArrayList<>())
                                .add(new Val(new Spot(at, text, SourcePosition.WHOLE, level, anchor), part.doc()));
                    }

                    @Override
                    protected boolean isFull(Where at) {
                        return out.getOrDefault(at, List.of()).size() >= Gathering.MOST_OF_A_PLACE;
                    }
                });
            } catch (Unreadable never) {
                throw new IllegalStateException(never);
            }
        }
        return out;
    }

    private static Kind kind(Gathering gathering, KindLearner.Told told) {
        String ending = gathering.sort().ending();
        Part first = gathering.parts().get(0);
        Set<String> known = gathering.known().size() <= MOST_KNOWN ? gathering.known() : Set.of();
        return new Kind(ending.startsWith(".") ? "**/*" + ending : "**/" + ending, begins(gathering), first.content().wraps(),
                gathering.sort().content(), told.slots(), told.undecided(), told.absolute(), new TreeSet<>(known));
    }

    private static Kind.Begins begins(Gathering gathering) {
        Content content = gathering.sort().content();
        List<byte[]> contents = gathering.parts().stream().map(part -> part.content().bytes()).toList();
        return switch (content) {
            case XML -> new Kind.Begins("", gathering.sort().root(), List.of(), "");
            case BYTES -> new Kind.Begins(ByteGuess.begins(contents), "", List.of(), "");
            case TEXT -> {
                Set<String> lines = new HashSet<>();
                contents.forEach(one -> lines.add(Beginning.firstLine(one)));
                yield new Kind.Begins("", "", List.of(), lines.size() == 1 ? lines.iterator().next() : "");
            }
            default -> new Kind.Begins("", "", gathering.common(), "");
        };
    }
}
