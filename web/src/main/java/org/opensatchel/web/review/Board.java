package org.opensatchel.web.review;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * The class as somebody wants to see it.
 *
 * @param all everybody, in the order of the roster
 * @param shown whom the query takes, in its order
 * @param sections the same in their sections, or in one that is none
 */
public record Board(BoardQuery query, List<BoardRow> all, List<BoardRow> shown, List<Section> sections) {

    /** Larger classes are folded by section. */
    private static final int FOLDED_FROM = 41;

    static Board of(List<BoardRow> all, BoardQuery query) {
        List<BoardRow> shown = all.stream().filter(query::takes).sorted(query.order()).toList();
        return new Board(query, all, shown, sections(all, shown, query));
    }

    public boolean isFoldable() {
        return sections.stream().anyMatch(Section::isFoldable);
    }

    /** Whether some section is folded, of those that are shown. */
    public boolean isFolded() {
        return sections.stream().anyMatch(section -> !section.isOpen());
    }

    /** The rows of a section; one that is folded shows only its counts. */
    public record Section(String name, List<BoardRow> rows, boolean isOpen, boolean isFoldable) {
        public long count(String told) {
            return rows.stream().filter(row -> row.told().equals(told)).count();
        }

        public long toFix() {
            return count("fix") + count("blocked");
        }
    }

    private static List<Section> sections(List<BoardRow> all, List<BoardRow> shown, BoardQuery query) {
        boolean several = all.stream().map(row -> row.student().section()).distinct().count() > 1;
        if (all.size() < FOLDED_FROM || !several) {
            return List.of(new Section("", shown, true, false));
        }
        Map<String, List<BoardRow>> by = shown.stream()
                .collect(Collectors.groupingBy(row -> row.student().section(), TreeMap::new, Collectors.toList()));
        List<Section> out = new ArrayList<>();
        // What somebody looks for is in sight, whatever section it is in.
        by.forEach((name, rows) -> out
                .add(new Section(name, rows, query.open().equals(name) || query.opensAll() || !query.isAll() && shown.size() < FOLDED_FROM,
                        true)));
        return out;
    }

    public long count(String told) {
        return all.stream().filter(row -> row.told().equals(told)).count();
    }

    /** How many there are of each verdict that occurs, in the order to look at them. */
    public Map<String, Long> verdicts() {
        Map<String, Long> out = new LinkedHashMap<>();
        for (String told : List.of("blocked", "fix", "doubts", "tidy", "ready", "accepted", "checking", "failed", "none")) {
            long count = count(told);
            if (count > 0 || told.equals(query.verdict())) {
                out.put(told, count);
            }
        }
        return out;
    }

    /** How many students have a finding of each code that occurs, the most frequent first. */
    public List<Map.Entry<String, Long>> codes() {
        Map<String, Long> counts = new TreeMap<>();
        all.forEach(row -> row.tally().codes().keySet().forEach(code -> counts.merge(code, 1L, Long::sum)));
        return counts.entrySet().stream().sorted(Map.Entry.<String, Long>comparingByValue().reversed()).toList();
    }

    public List<String> sectionNames() {
        return List.copyOf(all.stream().map(row -> row.student().section()).filter(name -> !name.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new)));
    }

    public List<String> teamNames() {
        return List.copyOf(all.stream().map(row -> row.student().team()).filter(name -> !name.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new)));
    }

    public long count(BoardQuery other) {
        return all.stream().filter(other::takes).count();
    }

    /** Something of which a change shows that the board shows something new. */
    public String state() {
        return Integer.toHexString(
                all.stream()
                        .map(row -> row.handIn().map(one -> one.id() + one.state().name()).orElse("") + row.tally().checked()
                                + row.decision()
                                + row.sent() + row.location().map(set -> set.setAt()))
                        .toList().hashCode());
    }

    /** Whether some hand-ins were checked by a kit that is not the newest. */
    public boolean isOlder() {
        return all.stream().anyMatch(BoardRow::older);
    }

    public boolean isBusy() {
        return all.stream().anyMatch(row -> row.told().equals("checking"));
    }
}
