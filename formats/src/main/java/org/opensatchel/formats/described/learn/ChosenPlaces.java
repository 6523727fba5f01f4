package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
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
import org.opensatchel.formats.described.Where;
import org.opensatchel.formats.described.Where.InLine;
import org.opensatchel.formats.described.Where.InTree;
import org.opensatchel.formats.described.Where.Part;
import org.opensatchel.formats.described.learn.Column.Val;

/**
 * Which places hold the values that lead to files: of those that hold the same values, the one that holds most of them; places that
 * differ in one name alone are one, where each has too few values of its own; and where only some values of a place lead somewhere, those
 * beside which something tells them from the others.
 */
final class ChosenPlaces {

    private static final int MOST_KINDS = 20;
    /** So many places that differ in a name differ in something that people or programs made up. */
    private static final int MANY = 8;

    private final Map<Where, List<Val>> columns;
    private final List<Column> certain = new ArrayList<>();
    private final List<Column> doubtful = new ArrayList<>();
    private final Set<Object> covered = new HashSet<>();
    /** Values that stand in quotation marks. */
    private final Set<Object> marked = new HashSet<>();

    ChosenPlaces(Map<Where, List<Val>> columns) {
        this.columns = columns;
        columns.forEach((where, values) -> {
            if (where instanceof InLine line && line.value().kind() == Part.Kind.QUOTED) {
                values.forEach(value -> marked.add(value.anchor()));
            }
        });
        List<Column> own = read(columns);
        take(own.stream().filter(Column::isCertain).toList(), 2);
        List<Column> conditioned = own.stream().filter(column -> !column.isCertain() && column.leading() > 0)
                .flatMap(column -> conditioned(column).stream()).toList();
        take(conditioned, 2);
        List<Column> merged = read(merged(own));
        take(merged.stream().filter(Column::isCertain).toList(), 1);
        take(merged.stream().filter(column -> !column.isCertain() && column.leading() > 0)
                .flatMap(column -> conditioned(column).stream()).toList(), 1);
        own.stream().filter(Column::isDoubtful).sorted(order()).forEach(column -> {
            if (isNew(column, 1)) {
                cover(column);
                doubtful.add(column);
            }
        });
    }

    private static List<Column> read(Map<Where, List<Val>> columns) {
        return columns.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(entry -> new Column(entry.getKey(), entry.getValue()))
                .toList();
    }

    /** The places that links stand at for certain. */
    List<Column> certain() {
        return certain;
    }

    /** Those that too little is known of. */
    List<Column> doubtful() {
        return doubtful;
    }

    private Comparator<Column> order() {
        // A place that holds whole paths and others alike may be two that were taken for one.
        return Comparator.comparing(Column::isMixed).thenComparingInt((Column column) -> -column.leading()).thenComparingInt(Column::total)
                .thenComparing(column -> !column.prefixes().isEmpty())
                .thenComparingLong(column -> column.where() instanceof Where.InBytes ? -column.length() : 0)
                .thenComparingInt(this::preference).thenComparing(Column::where);
    }

    /**
     * Of places that hold the same, the one that says most about itself. What stands in no quotation marks and ends its line always is
     * taken to the end of the line: the next path may have a blank in it.
     */
    private int preference(Column column) {
        Where where = column.where();
        if (where instanceof InLine line) {
            boolean marked = isMarked(column);
            int kind = switch (line.value().kind()) {
                case AFTER -> line.begins().equals(line.value().word()) ? 4 : marked ? 0 : 3;
                case QUOTED -> 1;
                case REST -> marked ? 2 : 0;
                case FROM -> 2;
                case WORD -> 5;
                case WHOLE -> 6;
            };
            return kind + (line.begins().equals(Where.ANY) && line.value().kind() != Part.Kind.WHOLE ? 10 : 0);
        }
        if (where instanceof InTree tree) {
            return (int) tree.steps().stream().filter(step -> !step.isEmpty() && step.chars().allMatch(Character::isDigit)).count();
        }
        return where instanceof Where.InBytes bytes
                ? 20 * bytes.length().field().ordinal() + 16 - Math.min(16, bytes.mark().replace("?", "").length())
                        + (bytes.mark().isEmpty() ? 200 : 0)
                : 0;
    }

    /** Whether what it holds stands in quotation marks. */
    private boolean isMarked(Column column) {
        for (int i = 0; i < column.values().size(); i++) {
            if (column.target(i).isPresent()) {
                return marked.contains(column.values().get(i).anchor());
            }
        }
        return false;
    }

    /** @param fresh how many values it has to hold that no other holds */
    private void take(List<Column> columns, int fresh) {
        columns.stream().sorted(order()).forEach(column -> {
            if (isNew(column, Math.min(fresh, column.leading()))) {
                cover(column);
                certain.removeIf(other -> isWithin(other.where(), column.where()));
                certain.add(column);
            }
        });
    }

    /** Whether a place is one of those that another one means. */
    private static boolean isWithin(Where one, Where other) {
        if (one.equals(other)) {
            return false;
        }
        if (one instanceof InLine mine && other instanceof InLine its) {
            return its.value().equals(mine.value()) && (its.section().equals(Where.ANY) || its.section().equals(mine.section()))
                    && (its.begins().equals(Where.ANY) || its.begins().equals(mine.begins()));
        }
        if (one instanceof InTree mine && other instanceof InTree its && mine.steps().size() == its.steps().size()) {
            for (int i = 0; i < mine.steps().size(); i++) {
                if (!its.steps().get(i).equals(Where.ANY) && !its.steps().get(i).equals(mine.steps().get(i))) {
                    return false;
                }
            }
            return true;
        }
        return false;
    }

    private boolean isNew(Column column, int least) {
        int fresh = 0;
        for (int i = 0; i < column.values().size() && fresh < least; i++) {
            fresh += column.target(i).isPresent() && !covered.contains(column.values().get(i).anchor()) ? 1 : 0;
        }
        return fresh >= least;
    }

    private void cover(Column column) {
        for (int i = 0; i < column.values().size(); i++) {
            if (column.target(i).isPresent()) {
                Val.Anchor at = column.values().get(i).anchor();
                covered.add(at);
                if (column.where() instanceof Where.InBytes) {
                    // Text of two bytes a sign can be read a byte off, as of the other order.
                    covered.add(at.beside(-1));
                    covered.add(at.beside(1));
                }
            }
        }
    }

    /** Places that differ in one name, as one: where something leads somewhere at two of them, and most have few values or they are many. */
    private Map<Where, List<Val>> merged(List<Column> own) {
        Map<Where, List<Column>> groups = new HashMap<>();
        for (Column column : own) {
            wider(column.where()).forEach(where -> groups.computeIfAbsent(where, key -> new ArrayList<>()).add(column));
        }
        Map<Where, List<Val>> out = new TreeMap<>();
        groups.forEach((where, group) -> {
            List<Column> leading = group.stream().filter(column -> column.leading() > 0).toList();
            // One that has too few values of its own is like one that has enough.
            boolean few = leading.stream().anyMatch(column -> !column.isCertain() && column.leading() == column.total());
            if (leading.size() >= 2 && (few || leading.size() >= MANY) && !columns.containsKey(where)) {
                out.put(where, group.stream().flatMap(column -> column.values().stream()).toList());
            }
        });
        return out;
    }

    private static Collection<Where> wider(Where where) {
        List<Where> out = new ArrayList<>();
        if (where instanceof InLine line && !line.section().equals(Where.ANY)) {
            out.add(new InLine(Where.ANY, line.begins(), line.value()));
            out.add(new InLine(line.section(), Where.ANY, line.value()));
            if (line.value().kind() == Part.Kind.AFTER) {
                out.add(new InLine(Where.ANY, Where.ANY, line.value()));
            }
        } else if (where instanceof InTree tree) {
            for (int i = 0; i < tree.steps().size(); i++) {
                String step = tree.steps().get(i);
                if (!step.equals(Where.ANY) && !step.startsWith("@")) {
                    List<String> steps = new ArrayList<>(tree.steps());
                    steps.set(i, Where.ANY);
                    out.add(new InTree(steps));
                }
            }
        }
        return out;
    }

    /** The same place for some of its values: those beside which something is one of a few texts. */
    private static Optional<Column> conditioned(Column column) {
        if (!(column.where() instanceof InTree) || column.leading() < 3) {
            return Optional.empty();
        }
        Column best = null;
        for (String key : keys(column)) {
            Optional<Column> one = conditioned(column, key);
            if (one.isPresent() && (best == null || one.get().leading() > best.leading())) {
                best = one.get();
            }
        }
        return Optional.ofNullable(best);
    }

    private static SortedSet<String> keys(Column column) {
        SortedSet<String> out = new TreeSet<>();
        for (Val value : column.values()) {
            if (out.size() > 60) {
                break;
            }
            out.addAll(value.spot().level().names());
            if (value.spot().level().depth() > 0) {
                value.spot().level().at(value.spot().level().depth() - 1).names().forEach(key -> out.add("../" + key));
            }
        }
        return out;
    }

    private static Optional<Column> conditioned(Column column, String key) {
        Map<String, int[]> counts = new TreeMap<>();
        for (int i = 0; i < column.values().size(); i++) {
            Val value = column.values().get(i);
            String beside = value.spot().level().beside(key);
            if (beside.equals(value.spot().text())) {
                return Optional.empty();
            }
            int[] count = counts.computeIfAbsent(beside, text -> new int[2]);
            count[0] += value.text().isEmpty() ? 0 : 1;
            count[1] += column.target(i).isPresent() ? 1 : 0;
        }
        SortedSet<String> kinds = new TreeSet<>();
        int total = 0;
        int leading = 0;
        for (Map.Entry<String, int[]> count : counts.entrySet()) {
            if (count.getValue()[1] > 0 && count.getValue()[1] * 100 >= count.getValue()[0] * 95) {
                kinds.add(count.getKey());
                total += count.getValue()[0];
                leading += count.getValue()[1];
            }
        }
        boolean tells = !kinds.isEmpty() && kinds.size() < counts.size() && kinds.size() <= Math.min(MOST_KINDS, Math.max(3, total / 3))
                && leading >= 3 && leading * 100 >= column.leading() * 95;
        if (!tells) {
            return Optional.empty();
        }
        SortedMap<String, SortedSet<String>> when = new TreeMap<>();
        when.put(key, kinds);
        Column some = new Column(column.where(), when,
                column.values().stream().filter(value -> kinds.contains(value.spot().level().beside(key))).toList());
        return some.isCertain() ? Optional.of(some) : Optional.empty();
    }
}
