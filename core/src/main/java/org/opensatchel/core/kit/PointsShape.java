package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.MOST;

import java.math.BigDecimal;
import java.util.OptionalDouble;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.Kit.Deductions;
import org.opensatchel.core.kit.Kit.Points;
import tools.jackson.databind.node.ObjectNode;

/** What organisation earns in the kit document: the points of each part, and what a thing to fix takes off. */
final class PointsShape {

    /** More than that is a slip of the keyboard. */
    private static final int MOST_OFF = 1_000;

    static final Shape<Deductions> OFF = Shape.of(Deductions.class,
            Field.of("must", Deductions::must, deduction(Deductions.USUAL.must())),
            Field.of("should", Deductions::should, deduction(Deductions.USUAL.should())),
            Field.of("note", Deductions::note, deduction(Deductions.USUAL.note())));

    static final Shape<Points> POINTS = Shape.of(Points.class,
            Field.of("total", Points::total, FieldTypes.number(0, 0)),
            Field.of("structure", Points::structure, FieldTypes.number(0, 0)),
            Field.of("names", Points::names, FieldTypes.number(0, 0)),
            Field.of("links", Points::links, FieldTypes.number(0, 0)),
            Field.of("assets", Points::assets, FieldTypes.number(0, 0)),
            Field.of("off", Points::off, FieldTypes.unless(OFF, OFF.schema(), Deductions.USUAL))).checked(PointsShape::addUp);

    private PointsShape() {
    }

    private static void addUp(StrictObject object, Points points, KitContext in) {
        if ((long) points.structure() + points.names() + points.links() + points.assets() != points.total()) {
            object.fault(KitWording.POINTS.say(Facts.of(MOST, points.total())));
        }
    }

    /** What something takes off, in hundredths of a point at most: a finer rule nobody could follow on paper. */
    private static FieldType<BigDecimal> deduction(BigDecimal usual) {
        return FieldTypes.simple(Schemas.type("number").put("minimum", 0).put("maximum", MOST_OFF), (object, key) -> {
            OptionalDouble given = object.number(key);
            if (given.isEmpty()) {
                return usual;
            }
            boolean plain = given.getAsDouble() >= 0 && given.getAsDouble() <= MOST_OFF
                    && BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros().scale() <= 2;
            if (!plain) {
                object.fault(key, KitWording.POINTS_OFF.say(Facts.of(MOST, MOST_OFF)));
                return usual;
            }
            BigDecimal bare = BigDecimal.valueOf(given.getAsDouble()).stripTrailingZeros();
            return bare.scale() < 0 ? bare.setScale(0) : bare;
        }, ObjectNode::put);
    }
}
