package org.opensatchel.core.check;

import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to something on the web. */
final class RemoteLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A link leads to the web", "It needs a connection, and lasts as long as the page it leads to.",
            "If the work needs it, download it into the project, note where it is from, and link the copy.");

    RemoteLink() {
        super(Outcome.REMOTE);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_REMOTE, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        return finding(evidence, Code.LINK_REMOTE, ADVICE, link).saying("“" + link.link().text() + "” is on the web, not in the folder.");
    }
}
