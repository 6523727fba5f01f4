package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.MOST;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.core.kit.Kit.Deductions;
import org.opensatchel.core.kit.Kit.Points;

/** What organisation earns in the kit document: the points of each part, and what a thing to fix takes off. */
final class PointsShape {

    static final Shape<Deductions> OFF = Shape.of(Deductions.class,
            Field.of("must", Deductions::must, Holds.deduction(Deductions.USUAL.must())),
            Field.of("should", Deductions::should, Holds.deduction(Deductions.USUAL.should())),
            Field.of("note", Deductions::note, Holds.deduction(Deductions.USUAL.note())));

    static final Shape<Points> POINTS = Shape.of(Points.class,
            Field.of("total", Points::total, Holds.number(0, 0)),
            Field.of("structure", Points::structure, Holds.number(0, 0)),
            Field.of("names", Points::names, Holds.number(0, 0)),
            Field.of("links", Points::links, Holds.number(0, 0)),
            Field.of("assets", Points::assets, Holds.number(0, 0)),
            Field.of("off", Points::off, Holds.unless(OFF, OFF.schema(), Deductions.USUAL))).checked(PointsShape::addUp);

    private PointsShape() {
    }

    private static void addUp(StrictObject object, Points points, KitContext in) {
        if ((long) points.structure() + points.names() + points.links() + points.assets() != points.total()) {
            object.fault(KitWording.POINTS.say(Facts.of(MOST, points.total())));
        }
    }
}
