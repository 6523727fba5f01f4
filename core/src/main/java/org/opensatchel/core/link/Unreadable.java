package org.opensatchel.core.link;

import org.opensatchel.core.finding.Place;

/** Thrown by a reader at the place where a document cannot be read on; the links before it are kept. */
public final class Unreadable extends Exception {

    private static final long serialVersionUID = 1L;

    private final transient ReadProblem problem;

    public Unreadable(ReadProblem problem) {
        super(problem.phrase());
        this.problem = problem;
    }

    public static Unreadable broken(Place at, String phrase) {
        return new Unreadable(new ReadProblem(ReadProblem.Kind.BROKEN, at, phrase));
    }

    public static Unreadable tooLarge(long limit) {
        return new Unreadable(new ReadProblem(ReadProblem.Kind.TOO_LARGE, Place.WHOLE, "is longer than the " + (limit >> 20) + " MiB that are read of a document"));
    }

    public ReadProblem problem() {
        return problem;
    }
}
