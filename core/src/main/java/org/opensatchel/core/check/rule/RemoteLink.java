package org.opensatchel.core.check.rule;

import static org.opensatchel.core.fact.FactName.TEXT;

import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to something on the web. */
final class RemoteLink extends LinkCheck {

    RemoteLink() {
        super(Outcome.REMOTE);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_REMOTE);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        return finding(evidence, Code.LINK_REMOTE, link).fact(TEXT, link.link().text()).make();
    }
}
