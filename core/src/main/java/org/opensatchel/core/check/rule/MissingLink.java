package org.opensatchel.core.check.rule;

import static org.opensatchel.core.fact.FactName.CANDIDATE;
import static org.opensatchel.core.fact.FactName.REASON;
import static org.opensatchel.core.fact.FactName.WANTED;

import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to a file that should be in the project and is not. */
final class MissingLink extends LinkCheck {

    MissingLink() {
        super(Outcome.MISSING);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_MISSING);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        Optional<Candidate> candidate = link.candidates().stream().findFirst();
        return finding(evidence, Code.LINK_MISSING, link)
                .fact(WANTED, link.intended().filter(path -> !path.isRoot()).map(Object::toString).orElse(link.link().text()))
                .fact(CANDIDATE, candidate.map(Candidate::path)).fact(REASON, candidate.map(Candidate::reason)).make();
    }
}
