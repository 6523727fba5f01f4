package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.DIFFERENCE;
import static org.opensatchel.base.fact.FactName.OVERLOOKED;
import static org.opensatchel.base.fact.FactName.TARGET;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link whose file is found only on systems that overlook a difference in the name. */
final class MisspeltLink extends LinkCheck {

    MisspeltLink() {
        super(Outcome.MISSPELT);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_MISSPELT);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        ProjectPath target = link.target().orElseThrow();
        return brokenThere(evidence, link, finding(evidence, Code.LINK_MISSPELT, link))
                .proposal(Optional.of(new Candidate(target, Reason.OTHER_SPELLING, 0.95)))
                .fact(TARGET, target).fact(TEXT, link.link().text()).fact(OVERLOOKED, link.overlooked().map(what -> what.say()))
                .fact(DIFFERENCE, link.difference()).make();
    }
}
