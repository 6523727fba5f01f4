package org.opensatchel.core.link.learn;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.learn.Column.Doc;
import org.opensatchel.core.link.learn.Column.Val;
import org.opensatchel.core.link.profile.Content;
import org.opensatchel.core.link.profile.Level;
import org.opensatchel.core.link.profile.Spot;
import org.opensatchel.core.link.profile.SpotSink;
import org.opensatchel.core.link.profile.Unwrapped;
import org.opensatchel.core.link.profile.Where;

/** The documents of one kind among the examples, and every value in them that may say something, by its place. */
final class Gathering {

    /** Values that look like nothing that matters are only counted beyond so many at one place. */
    private static final int MOST_IDLE = 3_000;
    private static final int MOST_VALUES = 1_500_000;
    private static final int MOST_PLACES = 60_000;

    private final Sort sort;
    private final Map<Where, List<Val>> columns = new HashMap<>();
    private final Map<Where, Integer> idle = new HashMap<>();
    private final List<Part> parts = new ArrayList<>();
    private final Set<String> known = new TreeSet<>();
    private int values;

    /** What tells documents of one kind from others. */
    record Sort(String wraps, String ending, String root, Content content) {}

    /** One unwrapped content, and the document that it is or stands in. */
    record Part(Doc doc, Unwrapped content) {}

    Gathering(Sort sort) {
        this.sort = sort;
    }

    /** Sorts the documents of the examples; a content that may be two things is gathered as both. */
    static List<Gathering> of(List<Example> examples, List<Leads> leads, long most) throws IOException {
        Map<String, Gathering> out = new TreeMap<>();
        for (int i = 0; i < examples.size(); i++) {
            for (Example.Document document : examples.get(i).documents()) {
                Doc doc = new Doc(i, document.path(), leads.get(i));
                for (Unwrapped content : Unwrapped.all(document.path(), document.bytes(), most)) {
                    for (Content is : Content.of(content.bytes())) {
                        Sort sort = sort(doc, content, is);
                        Gathering there = out.get(sort.toString());
                        Gathering gathering = there == null ? new Gathering(sort) : there;
                        if (gathering.add(new Part(doc, content))) {
                            out.put(sort.toString(), gathering);
                        }
                    }
                }
            }
        }
        return List.copyOf(out.values());
    }

    private static Sort sort(Doc doc, Unwrapped content, Content is) {
        String wraps = content.wraps().stream().map(wrap -> wrap.text()).reduce("", (a, b) -> a + b + ";");
        String ending = doc.path().extension();
        return new Sort(wraps, ending.isEmpty() ? doc.path().name() : "." + ending,
                is == Content.XML ? Content.xmlRoot(content.bytes()) : "",
                is);
    }

    private boolean add(Part part) {
        Gathered sink = new Gathered(part.doc);
        try {
            known.addAll(sort.content.explore(part.content.bytes(), sink));
        } catch (Unreadable broken) {
            return false;
        }
        sink.spots.forEach((where, spots) -> columns.computeIfAbsent(where, key -> new ArrayList<>()).addAll(spots));
        parts.add(part);
        return true;
    }

    private final class Gathered extends SpotSink {
        private final Doc doc;
        private final Map<Where, List<Val>> spots = new HashMap<>();

        Gathered(Doc doc) {
            this.doc = doc;
        }

        @Override
        protected void take(Where where, String text, Supplier<Place> place, Level level, long anchor) {
            boolean idles = !matters(text);
            if (values >= MOST_VALUES || (spots.size() >= MOST_PLACES && !spots.containsKey(where))
                    || (idles && idle.merge(where, 1, Integer::sum) > MOST_IDLE)) {
                return;
            }
            values++;
            spots.computeIfAbsent(where, key -> new ArrayList<>(2)).add(new Val(new Spot(where, text, Place.WHOLE, level, anchor), doc));
        }

        private boolean matters(String text) {
            return Column.isPathLike(text) || doc.leads().ground().mayBeFolder(text.strip()) || Leads.readings(text).size() > 1;
        }
    }

    Sort sort() {
        return sort;
    }

    List<Part> parts() {
        return parts;
    }

    Map<Where, List<Val>> columns() {
        return columns;
    }

    Set<String> known() {
        return known;
    }

    /** How many documents, a package counting once. */
    long documents() {
        return parts.stream().map(part -> part.doc).distinct().count();
    }

    @Override
    public String toString() {
        return sort.toString();
    }
}
