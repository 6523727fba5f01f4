package org.opensatchel.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;

/**
 * Points for organisation: what was earned of what a kit gives, and what each thing to fix took off. Things are counted as people read
 * them ({@link FindingGroups}), so that forty links through one renamed folder cost what one does; no part loses more than it has.
 *
 * @param earned what is left of all points
 * @param of how many points there are
 */
public record Score(BigDecimal earned, int of, List<Part> parts) {

    private static final Map<String, String> PART_OF = Map.of("package", "structure", "structure", "structure", "location", "structure",
            "name", "names", "link", "links");

    /**
     * A part of the points.
     *
     * @param part {@code structure}, {@code names}, {@code links} or {@code assets}
     * @param taken what is taken off, at most {@code of}
     * @param off what each thing takes off; together they may come to more than is taken
     */
    public record Part(String part, int of, BigDecimal taken, List<Deduction> off) {}

    /**
     * What one thing to fix takes off.
     *
     * @param thing its place among all things to fix, from 0
     * @param count how many findings it holds
     */
    public record Deduction(int thing, String code, String severity, long count, BigDecimal off) {}

    /** The score of what a check found; empty for a project that could not be read, of which nothing is known. */
    public static Optional<Score> of(Kit.Points points, Verdict verdict, List<FindingGroups.Group> things) {
        if (verdict == Verdict.BLOCKED) {
            return Optional.empty();
        }
        List<Part> parts = List.of(part("structure", points.structure(), points.off(), things),
                part("names", points.names(), points.off(), things), part("links", points.links(), points.off(), things),
                part("assets", points.assets(), points.off(), things));
        BigDecimal taken = parts.stream().map(Part::taken).reduce(BigDecimal.ZERO, BigDecimal::add);
        return Optional.of(new Score(plain(BigDecimal.valueOf(points.total()).subtract(taken)), points.total(), parts));
    }

    /** The part of the points that a finding of a family counts for. */
    public static String partOf(String family) {
        return PART_OF.getOrDefault(family, "assets");
    }

    private static Part part(String name, int of, Kit.Deductions rule, List<FindingGroups.Group> things) {
        List<Deduction> off = new ArrayList<>();
        for (int i = 0; i < things.size(); i++) {
            FindingGroups.Group thing = things.get(i);
            BigDecimal each = plain(rule.of(thing.severity()));
            String family = thing.code().substring(0, Math.max(0, thing.code().indexOf('.')));
            if (partOf(family).equals(name) && each.signum() > 0) {
                off.add(new Deduction(i, thing.code(), thing.severity(), thing.count(), each));
            }
        }
        BigDecimal sum = off.stream().map(Deduction::off).reduce(BigDecimal.ZERO, BigDecimal::add);
        return new Part(name, of, plain(sum.min(BigDecimal.valueOf(of))), off);
    }

    /** Written without an exponent and without zeros at the end, so that equal numbers are equal. */
    private static BigDecimal plain(BigDecimal number) {
        BigDecimal bare = number.stripTrailingZeros();
        return bare.scale() < 0 ? bare.setScale(0) : bare;
    }
}
