package org.opensatchel.core.link.learn;

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
import org.opensatchel.core.link.learn.Column.Val;
import org.opensatchel.core.link.profile.Where;
import org.opensatchel.core.link.profile.Where.InLine;
import org.opensatchel.core.link.profile.Where.InTree;
import org.opensatchel.core.link.profile.Where.Part;

/**
 * Which places hold the values that lead to files: of those that hold the same values, the one that holds most of them; places that
 * differ in one name alone are one, where each has too few values of its own; and where only some values of a place lead somewhere, those
 * beside which something tells them from the others.
 */
final class Picked {

    private static final int MOST_KINDS = 20;
    /** So many places that differ in a name differ in something that people or programs made up. */
    private static final int MANY = 8;

    private final Map<Where, List<Val>> columns;
    private final List<Column> certain = new ArrayList<>();
    private final List<Column> doubtful = new ArrayList<>();
    private final Set<Object> covered = new HashSet<>();

    /** One value of one document, wherever it is said to stand. */
    private record Anchor(Object doc, long at) {}

    Picked(Map<Where, List<Val>> columns) {
        this.columns = columns;
        List<Column> own = read(columns);
        take(own.stream().filter(Column::isCertain).toList());
        List<Column> conditioned = own.stream().filter(column -> !column.isCertain() && column.leading() > 0)
                .flatMap(column -> conditioned(column).stream()).toList();
        take(conditioned);
        List<Column> merged = read(merged(own));
        take(merged.stream().filter(Column::isCertain).toList());
        take(merged.stream().filter(column -> !column.isCertain() && column.leading() > 0)
                .flatMap(column -> conditioned(column).stream()).toList());
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

    private static Comparator<Column> order() {
        // A place that holds whole paths and others alike may be two that were taken for one.
        return Comparator.comparing(Column::isMixed).thenComparingInt((Column column) -> -column.leading()).thenComparingInt(Column::total)
                .thenComparing(column -> !column.prefixes().isEmpty())
                .thenComparingLong(column -> column.where() instanceof Where.InBytes ? -column.length() : 0)
                .thenComparingInt(column -> preference(column.where())).thenComparing(Column::where);
    }

    /** Of places that hold the same, the one that says most about itself. */
    private static int preference(Where where) {
        if (where instanceof InLine line) {
            int kind = switch (line.value().kind()) {
                case AFTER -> line.begins().equals(line.value().word()) ? 3 : 0;
                case QUOTED -> 1;
                case REST -> 2;
                case WORD -> 4;
                case FROM -> 5;
                case WHOLE -> 6;
            };
            return kind + (line.begins().equals(Where.ANY) && line.value().kind() != Part.Kind.WHOLE ? 10 : 0);
        }
        if (where instanceof InTree tree) {
            return (int) tree.steps().stream().filter(step -> !step.isEmpty() && step.chars().allMatch(Character::isDigit)).count();
        }
        return where instanceof Where.InBytes bytes ? 20 * bytes.length().field().ordinal() + 16 - Math.min(16, bytes.mark().replace("?", "").length())
                + (bytes.mark().isEmpty() ? 200 : 0) : 0;
    }

    private void take(List<Column> columns) {
        columns.stream().sorted(order()).forEach(column -> {
            if (isNew(column, Math.min(2, column.leading()))) {
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
            fresh += column.target(i).isPresent() && !covered.contains(anchor(column.values().get(i))) ? 1 : 0;
        }
        return fresh >= least;
    }

    private void cover(Column column) {
        for (int i = 0; i < column.values().size(); i++) {
            if (column.target(i).isPresent()) {
                covered.add(anchor(column.values().get(i)));
            }
        }
    }

    private static Anchor anchor(Val value) {
        return new Anchor(value.doc().path() + "/" + value.doc().example(), value.spot().anchor());
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
            boolean few = leading.stream().filter(Column::isCertain).count() * 2 < leading.size();
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
            out.addAll(value.spot().level().values().keySet());
            if (value.spot().level().depth() > 0) {
                value.spot().level().at(value.spot().level().depth() - 1).values().keySet().forEach(key -> out.add("../" + key));
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
