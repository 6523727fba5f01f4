package org.opensatchel.web.report;

/** How sure a proposal is, as people say it: a figure such as 95 % promises an exactness that nothing measured. */
public enum Likelihood {
    CERTAIN, PROBABLE, POSSIBLE;

    /**
     * The word for a figure.
     *
     * @param sure from 0 to 1
     */
    public static Likelihood of(double sure) {
        return sure >= 0.9 ? CERTAIN : sure >= 0.5 ? PROBABLE : POSSIBLE;
    }

    /** The key of its word, which stands before what is proposed. */
    public String say() {
        return "report.likelihood." + name();
    }
}
