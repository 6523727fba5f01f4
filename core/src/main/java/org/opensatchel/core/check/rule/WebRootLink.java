package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;

/** A link from the root of the site, which works on a server and not when the page is opened from the folder. */
final class WebRootLink implements Rule<LinkEvidence> {

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_WEB_ROOT);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        return evidence.links().stream().filter(link -> link.form() == LinkForm.ROOTED && link.outcome() == Outcome.OK)
                .map(link -> LinkCheck.brokenThere(evidence, link, LinkCheck.finding(evidence, Code.LINK_WEB_ROOT, link))
                        .fact(TEXT, link.link().text()).make())
                .toList();
    }
}
