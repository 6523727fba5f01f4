package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.Set;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link that cannot be followed from here: it holds a variable, or leads into a companion that was not handed in. */
final class UnknownLink extends LinkCheck {

    UnknownLink() {
        super(Outcome.UNKNOWN);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_UNKNOWN);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        return finding(evidence, Code.LINK_UNKNOWN, link).fact(TEXT, link.link().text())
                .fact(HOW, how(link)).make();
    }

    private static String how(ResolvedLink link) {
        if (link.unfilled()) {
            return "template";
        }
        return link.form() == LinkForm.VARIABLE ? "variable" : "companion";
    }
}
