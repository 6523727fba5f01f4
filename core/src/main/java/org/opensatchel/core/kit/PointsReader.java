package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.MOST;

import java.math.BigDecimal;
import java.util.OptionalDouble;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.Kit.Deductions;
import org.opensatchel.core.kit.Kit.Points;

/** Reads what organisation earns: the points of each part, and what a thing to fix takes off. */
final class PointsReader {

    /** More than that is a slip of the keyboard. */
    private static final int MOST_OFF = 1_000;

    private PointsReader() {
    }

    static Points read(StrictObject object) {
        Points points = new Points(object.integer("total", 0, 0), object.integer("structure", 0, 0), object.integer("names", 0, 0),
                object.integer("links", 0, 0), object.integer("assets", 0, 0),
                object.object("off").map(PointsReader::deductions).orElse(Deductions.USUAL));
        if ((long) points.structure() + points.names() + points.links() + points.assets() != points.total()) {
            object.fault(KitWording.POINTS.say(Facts.of(MOST, points.total())));
        }
        object.close();
        return points;
    }

    private static Deductions deductions(StrictObject object) {
        Deductions off = new Deductions(deduction(object, "must", Deductions.USUAL.must()),
                deduction(object, "should", Deductions.USUAL.should()), deduction(object, "note", Deductions.USUAL.note()));
        object.close();
        return off;
    }

    private static BigDecimal deduction(StrictObject object, String key, BigDecimal usual) {
        OptionalDouble given = object.number(key);
        if (given.isEmpty()) {
            return usual;
        }
        // In hundredths at most: a finer rule nobody could follow on paper.
        boolean plain = given.getAsDouble() >= 0 && given.getAsDouble() <= MOST_OFF
                && BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros().scale() <= 2;
        if (!plain) {
            object.fault(key, KitWording.POINTS_OFF.say(Facts.of(MOST, MOST_OFF)));
            return usual;
        }
        BigDecimal bare = BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros();
        return bare.scale() < 0 ? bare.setScale(0) : bare;
    }
}
