package org.opensatchel.formats.described.learn;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Supplier;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.described.Content;
import org.opensatchel.formats.described.Level;
import org.opensatchel.formats.described.Spot;
import org.opensatchel.formats.described.SpotSink;
import org.opensatchel.formats.described.Unwrapped;
import org.opensatchel.formats.described.Where;
import org.opensatchel.formats.described.learn.Column.Doc;
import org.opensatchel.formats.described.learn.Column.Val;
import org.opensatchel.formats.link.Unreadable;

/** The documents of one kind among the examples, and every value in them that may say something, by its place. */
final class Gathering {

    /** Values that look like nothing that matters are only counted beyond so many at one place. */
    private static final int MOST_IDLE = 3_000;
    /** Of a place with more values these say enough; all of them would take many times the memory of their documents. */
    static final int MOST_OF_A_PLACE = 8_000;
    private static final int MOST_VALUES = 300_000;
    private static final int MOST_PLACES = 60_000;

    private final Sort sort;
    private final Map<Where, List<Val>> columns = new HashMap<>();
    private final List<Part> parts = new ArrayList<>();
    private final Set<String> known = new TreeSet<>();
    private final List<Set<String>> tops = new ArrayList<>();
    private int values;

    /** What tells documents of one kind from others. */
    record Sort(String wraps, String ending, String root, Content content) {}

    /** One unwrapped content, and the document that it is or stands in. */
    record Part(Doc doc, Unwrapped content) {}

    Gathering(Sort sort) {
        this.sort = sort;
    }

    /** Sorts the documents of the examples; a content that may be two things is gathered as both. */
    static List<Gathering> of(List<Example> examples, List<ValueTargets> leads, long most) throws IOException {
        Map<String, Gathering> out = new TreeMap<>();
        for (int i = 0; i < examples.size(); i++) {
            for (Example.Document document : examples.get(i).documents()) {
                Doc doc = new Doc(i, document.path(), leads.get(i));
                for (Unwrapped content : Unwrapped.all(document.path(), document.bytes(), most)) {
                    gather(new Part(doc, content), out);
                }
            }
        }
        return List.copyOf(out.values());
    }

    /** What is read whole as a tree is that and nothing else; a table may be a text of statements as well. */
    private static void gather(Part part, Map<String, Gathering> out) {
        for (Content is : Content.of(part.content.bytes())) {
            Sort sort = sort(part.doc, part.content, is);
            Gathering there = out.get(sort.toString());
            Gathering gathering = there == null ? new Gathering(sort) : there;
            if (gathering.add(part)) {
                out.put(sort.toString(), gathering);
                if (is.isTree() && is != Content.TABLE) {
                    return;
                }
            }
        }
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
            Set<String> made = sort.content.explore(part.content.bytes(), sink);
            known.addAll(made);
            tops.add(tops(made));
        } catch (Unreadable broken) {
            return false;
        }
        sink.spots.forEach((where, spots) -> columns.computeIfAbsent(where, key -> new ArrayList<>()).addAll(spots.values));
        parts.add(part);
        return true;
    }

    /** The values of one place in one document. */
    private static final class AtPlace {
        private final List<Val> values = new ArrayList<>(2);
        private int idle;
    }

    private final class Gathered extends SpotSink {
        private final Doc doc;
        /** A document's walk names the same place by the same object. */
        private final Map<Where, AtPlace> spots = new IdentityHashMap<>();

        Gathered(Doc doc) {
            this.doc = doc;
        }

        @Override
        protected boolean isFull(Where where) {
            AtPlace there = spots.get(where);
            return there != null && there.values.size() - there.idle >= MOST_OF_A_PLACE;
        }

        @Override
        protected void take(Where where, String text, Supplier<SourcePosition> place, Level level, long anchor) {
            AtPlace there = spots.get(where);
            if (there == null) {
                if (values >= MOST_VALUES || spots.size() >= MOST_PLACES) {
                    return;
                }
                there = new AtPlace();
                spots.put(where, there);
            }
            boolean open = there.idle < MOST_IDLE || there.values.size() > there.idle;
            boolean told = open && there.values.size() - there.idle < MOST_OF_A_PLACE && matters(text);
            if (values < MOST_VALUES && (told || there.idle < MOST_IDLE)) {
                there.idle += told ? 0 : 1;
                values++;
                there.values.add(new Val(new Spot(where, text, SourcePosition.WHOLE, level, anchor), doc));
            }
        }

        private boolean matters(String text) {
            return (Column.isPathLike(text) && !isNumber(text)) || doc.leads().ground().mayBeFolder(text.strip())

                    || (text.length() >= 8 && ValueTargets.readings(text).size() > 1);
        }
    }

    private static boolean isNumber(String text) {
        return text.chars().allMatch(c -> (c >= '0' && c <= '9') || c == '.' || c == '-' || c == '+' || c == 'e' || c == 'E' || c == ' ');
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

    /** The names at the top of what a document is made of; of a list those of its entries. */
    private static Set<String> tops(Set<String> made) {
        Set<String> out = new TreeSet<>();
        for (String path : made) {
            String names = path.startsWith("/*/") ? path.substring(3) : path.startsWith("/") ? path.substring(1) : "";
            String top = names.indexOf('/') < 0 ? names : names.substring(0, names.indexOf('/'));
            if (!top.isEmpty() && !top.equals(Where.ANY)) {
                out.add(top.replace("~1", "/").replace("~0", "~"));
            }
        }
        return out;
    }

    /** Names at the top that every document has. */
    List<String> common() {
        SortedSet<String> out = tops.stream().reduce((a, b) -> {
            Set<String> both = new TreeSet<>(a);
            both.retainAll(b);
            return both;
        }).map(TreeSet::new).orElseGet(TreeSet::new);
        return List.copyOf(out).subList(0, Math.min(40, out.size()));
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
