package org.opensatchel.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.opensatchel.core.path.ProjectPath;

/**
 * One thing to fix or to know. Made through {@link #of(Code, Advice)} only.
 *
 * @param path what it is about, relative to the root; empty for the root, the package and the location
 * @param at the place inside the file
 * @param message one sentence with the actual names in it
 * @param why why it matters, one sentence
 * @param remedy the steps that fix it, in any program
 * @param proposal what was probably meant
 * @param sure how sure the tool is, from 0 to 1; absent when it is certain
 * @param most what it weighs at most, whatever the kit says of its code
 * @param times how many of its kind it stands for, where not each is told
 * @param causedBy what this follows from, if anything
 * @param explains the causes whose consequences stand under this finding
 */
public record Finding(Code code, Severity severity, ProjectPath path, Place at, String message, String why, List<String> remedy,
        Optional<Candidate> proposal, OptionalDouble sure, Severity most, int times, Optional<Cause> causedBy, List<Cause> explains, List<Finding> consequences) {

    /** Longest message, in characters; what is longer is cut with an ellipsis. */
    public static final int MAX_MESSAGE = 2_000;

    /** The order of a report: severity, family, path, place, code. */
    public static final Comparator<Finding> ORDER = Comparator.comparing(Finding::severity)
            .thenComparing(finding -> finding.code().family())
            .thenComparing(Finding::path)
            .thenComparing(Finding::at)
            .thenComparing(Finding::code)
            .thenComparing(Finding::message);

    public Finding {
        remedy = List.copyOf(remedy);
        explains = List.copyOf(explains);
        consequences = List.copyOf(consequences);
        if (message.length() > MAX_MESSAGE) {
            message = message.substring(0, MAX_MESSAGE - 1) + "…";
        }
    }

    public static Builder of(Code code, Advice advice) {
        return new Builder(code, advice);
    }

    public Finding withSeverity(Severity changed) {
        return changed == severity ? this : new Finding(code, changed, path, at, message, why, remedy, proposal, sure, most, times, causedBy, explains, consequences);
    }

    public Finding withConsequences(List<Finding> added) {
        List<Finding> all = new ArrayList<>(consequences);
        all.addAll(added);
        all.sort(ORDER);
        return new Finding(code, severity, path, at, message, why, remedy, proposal, sure, most, times, causedBy, explains, all);
    }

    /** Collects what is particular about one finding; the rest comes from the check's advice. */
    public static final class Builder {
        private final Code code;
        private final Advice advice;
        private ProjectPath path = ProjectPath.ROOT;
        private Place at = Place.WHOLE;
        private List<String> remedy;
        private Optional<Candidate> proposal = Optional.empty();
        private OptionalDouble sure = OptionalDouble.empty();
        private Severity most = Severity.MUST;
        private int times = 1;
        private Optional<Cause> causedBy = Optional.empty();
        private final List<Cause> explains = new ArrayList<>();

        private Builder(Code code, Advice advice) {
            this.code = code;
            this.advice = advice;
            this.remedy = advice.remedy();
        }

        public Builder path(ProjectPath value) {
            path = value;
            return this;
        }

        public Builder at(Place value) {
            at = value;
            return this;
        }

        /** Steps for this very case, instead of the general ones. */
        public Builder remedy(String... steps) {
            remedy = List.of(steps);
            return this;
        }

        public Builder proposal(Optional<Candidate> value) {
            proposal = value;
            return this;
        }

        public Builder sure(double value) {
            sure = OptionalDouble.of(value);
            return value < 0.5 ? atMost(Severity.SHOULD) : this;
        }

        public Builder atMost(Severity limit) {
            most = most.atMost(limit);
            return this;
        }

        /** Lets it stand for several of its kind that nobody would read one by one. */
        public Builder times(int count) {
            times = count;
            return this;
        }

        public Builder causedBy(Cause cause) {
            causedBy = Optional.of(cause);
            return this;
        }

        public Builder causedBy(Optional<Cause> cause) {
            causedBy = cause;
            return this;
        }

        public Builder explains(Cause cause) {
            explains.add(cause);
            return this;
        }

        /** The finding, with its sentence. */
        public Finding saying(String message) {
            return new Finding(code, code.severity().atMost(most), path, at, message, advice.why(), remedy, proposal, sure, most, times, causedBy, explains, List.of());
        }
    }
}
