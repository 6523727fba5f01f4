package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.TARGET;
import static org.opensatchel.base.fact.FactName.WANTED;

import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to a file that lies somewhere else in the project by now. */
final class MovedLink extends LinkCheck {

    MovedLink() {
        super(Outcome.MOVED);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_MOVED);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        return finding(evidence, Code.LINK_MOVED, link).fact(WANTED, link.intended().map(Object::toString).orElse(name(link)))
                .fact(TARGET, link.target()).fact(OTHERS, link.target().isPresent() ? Optional.empty()
                        : Optional.of(link.candidates().stream().map(Candidate::path).toList()))
                .make();
    }
}
