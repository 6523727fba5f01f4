package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** Kept older versions whose links are broken by now: one note, under which all of them stand. */
final class OlderDocuments implements Rule<LinkEvidence> {

    /** What is broken in older versions follows from that they are kept. */
    static final Cause CAUSE = new Cause(Cause.Kind.OLDER, ProjectPath.ROOT);

    private static final Set<Outcome> BROKEN = EnumSet.of(Outcome.PINNED, Outcome.MISSPELT, Outcome.MOVED, Outcome.OUTSIDE,
            Outcome.MISSING);

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_OLDER);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        List<ResolvedLink> broken = evidence.links().stream()
                .filter(link -> evidence.isOlder(link) && BROKEN.contains(link.outcome()) && evidence.causeOf(link).isEmpty()).toList();
        if (broken.isEmpty()) {
            return List.of();
        }
        List<ProjectPath> documents = broken.stream().map(link -> link.link().file()).distinct().toList();
        return List.of(Finding.of(Code.LINK_OLDER).path(documents.get(0)).explains(CAUSE).fact(COUNT, broken.size())
                .fact(OTHERS, documents).make());
    }
}
