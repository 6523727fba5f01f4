package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.RANGES;
import static org.opensatchel.base.fact.FactName.TEXT;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** A numbered sequence of which some files are missing: one finding, the gaps as ranges. */
final class SequenceGap implements Rule<LinkEvidence> {

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_SEQUENCE_GAP);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        return evidence.links().stream().filter(link -> !link.gaps().isEmpty())
                .map(link -> LinkCheck.finding(evidence, Code.LINK_SEQUENCE_GAP, link)
                        .fact(TEXT, link.link().text()).fact(RANGES, link.gaps()).make())
                .toList();
    }
}
