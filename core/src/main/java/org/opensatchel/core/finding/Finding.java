package org.opensatchel.core.finding;

import static org.opensatchel.base.fact.FactName.MORE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;

/**
 * One thing to fix or to know, as facts; what is said of it is made from them when it is shown. Made through {@link #of(Code)} only.
 *
 * @param path what it is about, relative to the root; empty for the root, the package and the location
 * @param at the place inside the file
 * @param facts the actual names, counts and the like, as its code declares them
 * @param proposal what was probably meant
 * @param sure how sure the tool is, from 0 to 1; absent when it is certain
 * @param most what it weighs at most, whatever the kit says of its code
 * @param least what it weighs at least where the kit says nothing of its code
 * @param times how many of its kind it stands for, where not each is told
 * @param causedBy what this follows from, if anything
 * @param explains the causes whose consequences stand under this finding
 */
public record Finding(Code code, Severity severity, ProjectPath path, SourcePosition at, Facts facts, Optional<Candidate> proposal,
        OptionalDouble sure, Severity most, Severity least, int times, Optional<Cause> causedBy, List<Cause> explains,
        List<Finding> consequences) {

    /** The order of a report: severity, family, path, place, code. */
    public static final Comparator<Finding> ORDER = Comparator.comparing(Finding::severity)
            .thenComparing(finding -> finding.code().family())
            .thenComparing(Finding::path)
            .thenComparing(Finding::at)
            .thenComparing(Finding::code)
            .thenComparing(finding -> finding.facts().toString());

    public Finding {
        explains = List.copyOf(explains);
        consequences = List.copyOf(consequences);
    }

    public static Builder of(Code code) {
        return new Builder(code);
    }

    /** What stands for the rest of many of its kind: how many there are, and the least each of them would say. */
    public Finding andMore(int more) {
        return new Finding(code, severity, ProjectPath.ROOT, SourcePosition.WHOLE, Facts.of(MORE, more), Optional.empty(),
                OptionalDouble.empty(),
                most, least, more, Optional.empty(), List.of(), List.of());
    }

    public Finding withSeverity(Severity changed) {
        return changed == severity ? this
                : new Finding(code, changed, path, at, facts, proposal, sure, most, least, times, causedBy, explains, consequences);
    }

    /** The same as something that follows from a cause, and weighs no more than that. */
    public Finding follows(Cause cause, Severity limit) {
        return new Finding(code, severity.atMost(limit), path, at, facts, proposal, sure, most.atMost(limit), least, times,
                Optional.of(cause), explains, consequences);
    }

    public Finding withoutProposal() {
        return new Finding(code, severity, path, at, facts, Optional.empty(), sure, most, least, times, causedBy, explains, consequences);
    }

    public Finding withConsequences(List<Finding> added) {
        List<Finding> all = new ArrayList<>(consequences);
        all.addAll(added);
        all.sort(ORDER);
        return new Finding(code, severity, path, at, facts, proposal, sure, most, least, times, causedBy, explains, all);
    }

    /** Collects what is particular about one finding. */
    public static final class Builder {
        private final Code code;
        private ProjectPath path = ProjectPath.ROOT;
        private SourcePosition at = SourcePosition.WHOLE;
        private Facts facts = Facts.NONE;
        private Optional<Candidate> proposal = Optional.empty();
        private OptionalDouble sure = OptionalDouble.empty();
        private Severity most = Severity.MUST;
        private Severity least = Severity.NOTE;
        private int times = 1;
        private Optional<Cause> causedBy = Optional.empty();
        private final List<Cause> explains = new ArrayList<>();

        private Builder(Code code) {
            this.code = code;
        }

        public Builder path(ProjectPath value) {
            path = value;
            return this;
        }

        public Builder at(SourcePosition value) {
            at = value;
            return this;
        }

        /** Adds a fact; an absent one adds nothing. */
        public Builder fact(FactName name, Object value) {
            assert code.facts().contains(name) : code + " declares no " + name;
            facts = facts.and(name, value);
            return this;
        }

        public Builder facts(Facts more) {
            assert code.facts().containsAll(more.names()) : code + " declares " + code.facts() + ", not " + more.names();
            facts = facts.and(more);
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

        public Builder atLeast(Severity limit) {
            least = least.atLeast(limit);
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

        public Finding make() {
            return new Finding(code, code.severity().atLeast(least).atMost(most), path, at, facts, proposal, sure, most, least, times,
                    causedBy, explains, List.of());
        }
    }
}
