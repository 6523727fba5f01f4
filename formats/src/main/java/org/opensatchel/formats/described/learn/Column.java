package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.described.Spot;
import org.opensatchel.formats.described.Where;
import org.opensatchel.formats.described.learn.Lead.Decoding;
import org.opensatchel.formats.described.learn.Lead.From;

/** All values of the examples at one place, and the one way to read them in which most lead to files. */
final class Column {

    private static final int MOST_NOTHING = 3;
    private static final Decoding[][] FAMILIES = {{Decoding.PLAIN}, {Decoding.URI, Decoding.PLAIN}, {Decoding.ESCAPED, Decoding.PLAIN},
            {Decoding.ESCAPED_URI, Decoding.ESCAPED, Decoding.URI, Decoding.PLAIN}, {Decoding.BASE64},
            {Decoding.BASE64_URI, Decoding.BASE64}};

    private final Where where;
    private final SortedMap<String, SortedSet<String>> when;
    private final List<Val> values;
    private final SortedSet<String> nothing = new TreeSet<>();
    private final Map<String, String> prefixes = new TreeMap<>();
    private final List<Lead> leads = new ArrayList<>();
    private Decoding[] family = FAMILIES[0];
    private String way = "";
    private int total;
    private int leading;
    private int blank;

    /** A value of a document. */
    record Val(Spot spot, Doc doc) {
        String text() {
            return spot.text().strip();
        }

        Anchor anchor() {
            return new Anchor(doc.example(), doc.path(), spot.anchor());
        }

        /** One value of one document, wherever it is said to stand. */
        record Anchor(int example, ProjectPath path, long at) {

            /** What stands a number of values after it. */
            Anchor beside(int by) {
                return new Anchor(example, path, at + by);
            }
        }
    }

    /** A document that values come from. */
    record Doc(int example, ProjectPath path, ValueTargets leads) {
        ProjectPath folder() {
            return path.parent();
        }
    }

    Column(Where where, List<Val> values) {
        this(where, new TreeMap<>(), values);
    }

    Column(Where where, SortedMap<String, SortedSet<String>> when, List<Val> values) {
        this.where = where;
        this.when = when;
        this.values = values;
        read();
    }

    private void read() {
        List<ValueTargets.Found> found = values.stream().map(value -> value.doc.leads().of(value.text(), value.doc.folder())).toList();
        int best = 0;
        for (Decoding[] one : FAMILIES) {
            Choice choice = new Choice(one, found);
            if (choice.count > best) {
                best = choice.count;
                family = one;
                way = choice.way;
                prefixes.clear();
                prefixes.putAll(choice.prefixes);
            }
        }
        if (family == FAMILIES[0] && isDoubled() && new Choice(FAMILIES[2], found).count == best) {
            family = FAMILIES[2];
        }
        for (int i = 0; i < values.size(); i++) {
            leads.add(lead(values.get(i), found.get(i)));
        }
        count(found);
    }

    /** Whether backslashes come in twos wherever there are any: then one stands for itself behind another. */
    private boolean isDoubled() {
        boolean some = false;
        for (Val value : values) {
            String text = value.text();
            some |= text.indexOf('\\') > 0;
            if (text.replace("\\\\", "").indexOf('\\') >= 0) {
                return false;
            }
        }
        return some;
    }

    private void count(List<ValueTargets.Found> found) {
        boolean signed = true;
        Set<String> words = new HashSet<>();
        for (int i = 0; i < values.size(); i++) {
            String text = values.get(i).text();
            if (leads.get(i) != null) {
                leading++;
                signed &= isPathLike(text) || family[0].base64;
            } else if (!text.isEmpty() && !isPathLike(text) && text.length() <= 40 && words.size() <= MOST_NOTHING) {
                words.add(text);
            }
        }
        boolean some = signed && leading >= MOST_NOTHING && words.size() <= MOST_NOTHING && !family[0].base64;
        for (int i = 0; i < values.size(); i++) {
            String text = values.get(i).text();
            boolean none = leads.get(i) == null;
            if (text.isEmpty()) {
                blank++;
            } else if (none && some && words.contains(text)) {
                nothing.add(text);
            } else if (!(none && found.get(i).remote())) {
                total++;
            }
        }
    }

    /** Whether a text has a sign that paths have. */
    static boolean isPathLike(String text) {
        return text.indexOf('.') >= 0 || text.indexOf('/') >= 0 || text.indexOf('\\') >= 0;
    }

    /** The ways in which the values of one family of readings lead, counted. */
    private static final class Choice {
        private final Map<String, String> prefixes = new TreeMap<>();
        private final String way;
        private final int count;

        Choice(Decoding[] family, List<ValueTargets.Found> found) {
            Map<String, Map<String, Integer>> ways = new HashMap<>();
            int placed = 0;
            for (ValueTargets.Found one : found) {
                List<Lead> there = effective(family, one);
                Set<String> told = new HashSet<>();
                boolean place = false;
                for (Lead lead : there) {
                    place |= lead.from() == From.PLACE;
                    if (lead.from() != From.PLACE && told.add(lead.prefix() + "\0" + lead.way())) {
                        ways.computeIfAbsent(lead.prefix(), key -> new TreeMap<>()).merge(lead.way(), 1, Integer::sum);
                    }
                }
                placed += place ? 1 : 0;
            }
            way = best(ways.getOrDefault("", Map.of()));
            int sum = placed + ways.getOrDefault("", Map.of()).getOrDefault(way, 0);
            for (Map.Entry<String, Map<String, Integer>> prefix : ways.entrySet()) {
                if (!prefix.getKey().isEmpty()) {
                    String its = best(prefix.getValue());
                    prefixes.put(prefix.getKey(), its);
                    sum += prefix.getValue().get(its);
                }
            }
            count = sum;
        }

        private static String best(Map<String, Integer> ways) {
            String best = "";
            for (From from : From.values()) {
                for (Map.Entry<String, Integer> way : ways.entrySet()) {
                    if (way.getKey().startsWith(from + "/") && (best.isEmpty() || way.getValue() > ways.get(best))) {
                        best = way.getKey();
                    }
                }
            }
            return best;
        }
    }

    /** The leads of a value in the first reading of a family that it has. */
    private static List<Lead> effective(Decoding[] family, ValueTargets.Found found) {
        for (Decoding decoding : family) {
            List<Lead> there = found.leads().stream().filter(lead -> lead.decoding() == decoding).toList();
            if (!there.isEmpty()) {
                return there;
            }
        }
        return List.of();
    }

    private Lead lead(Val value, ValueTargets.Found found) {
        return effective(family, found).stream().filter(lead -> lead.from() == From.PLACE || lead.way().equals(
                lead.prefix().isEmpty() ? way : prefixes.getOrDefault(lead.prefix(), ""))).findFirst().orElse(null);
    }

    Where where() {
        return where;
    }

    SortedMap<String, SortedSet<String>> when() {
        return when;
    }

    List<Val> values() {
        return values;
    }

    /** Where a value leads; empty for nowhere. */
    Optional<ProjectPath> target(int value) {
        return Optional.ofNullable(leads.get(value)).map(Lead::target);
    }

    Optional<Lead> lead(int value) {
        return Optional.ofNullable(leads.get(value));
    }

    int total() {
        return total;
    }

    int leading() {
        return leading;
    }

    int blank() {
        return blank;
    }

    SortedSet<String> nothing() {
        return nothing;
    }

    Decoding decoding() {
        return family[0];
    }

    String way() {
        return way;
    }

    Map<String, String> prefixes() {
        return prefixes;
    }

    /** Whether enough values lead to files that all of them are meant to. */
    boolean isCertain() {
        boolean agreed = values.stream().map(value -> value.doc.example).distinct().count() > 1;
        return leading >= (agreed ? 2 : 3) && leading * 100L >= total * 95L;
    }

    /** Whether too few do for that, and too many for an accident. */
    boolean isDoubtful() {
        return leading > 0 && leading * 2 >= total && !isCertain();
    }

    /** Whether most of what leads somewhere is a whole path. */
    boolean isAbsolute() {
        return leads.stream().filter(lead -> lead != null && lead.relative()).count() * 2 < leading;
    }

    /** Whether whole paths and others both make up more than a few of those that lead somewhere. */
    boolean isMixed() {
        long relative = leads.stream().filter(lead -> lead != null && lead.relative()).count();
        return relative * 5 > leading && (leading - relative) * 5 > leading;
    }

    /** The characters of all values. */
    long length() {
        return values.stream().mapToLong(value -> value.text().length()).sum();
    }

    /** Whether every value that leads somewhere is a whole path, and something does. */
    boolean isAllAbsolute() {
        return leading > 0 && leads.stream().noneMatch(lead -> lead != null && lead.relative());
    }
}
