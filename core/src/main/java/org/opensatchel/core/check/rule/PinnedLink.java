package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.TARGET;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.formats.link.Link;

/** A link that holds the whole path of a file that is in the project. */
final class PinnedLink extends LinkCheck {

    PinnedLink() {
        super(Outcome.PINNED);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_PINNED);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        String target = link.target().map(Object::toString).orElse(name(link));
        boolean whole = link.link().standing() == Link.Standing.WHOLE;
        Finding.Builder finding = finding(evidence, Code.LINK_PINNED, link).fact(TARGET, target.isEmpty() ? name(link) : target)
                .fact(TEXT, link.link().text()).fact(OLD_ROOT, link.oldRoot());
        return (whole ? brokenThere(evidence, link, finding.fact(HOW, "whole").atMost(Severity.NOTE)) : finding).make();
    }
}
