package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FORMAT;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** A document of a kind that a profile describes, in which none of the places is that the profile knows. */
final class ProfileDiffers implements Rule<LinkEvidence> {

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_PROFILE_DIFFERS);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        return evidence.documents().stream().flatMap(document -> document.differs().stream()
                .map(title -> Finding.of(Code.LINK_PROFILE_DIFFERS).path(document.document()).fact(FORMAT, title).make())).toList();
    }
}
