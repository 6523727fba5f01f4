package org.opensatchel.formats.link;

import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.place.SourcePosition;

/** Thrown by a reader at the place where a document cannot be read on; the links before it are kept. */
public final class Unreadable extends Exception {

    private static final long serialVersionUID = 1L;

    private final transient ReadProblem problem;

    public Unreadable(ReadProblem problem) {
        super(problem.what().key());
        this.problem = problem;
    }

    /** A document that is damaged, or not what it says. */
    public static Unreadable broken(SourcePosition at, ReadWording what) {
        return new Unreadable(new ReadProblem(ReadProblem.Kind.BROKEN, at, what.say()));
    }

    /** @param limit the most that is read of such a document, in bytes */
    public static Unreadable tooLarge(long limit) {
        return new Unreadable(
                new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE, ReadWording.TOO_LONG.say(Facts.of(MOST_BYTES, limit))));
    }

    public ReadProblem problem() {
        return problem;
    }
}
