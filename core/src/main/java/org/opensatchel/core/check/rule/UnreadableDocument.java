package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FORMAT;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.formats.link.ReadProblem;

/** A document that cannot be read to its end; the links before the fault were checked. */
final class UnreadableDocument implements Rule<LinkEvidence> {

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_DOCUMENT_UNREADABLE, Code.LINK_DOCUMENT_BINARY);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        return evidence.documents().stream().flatMap(document -> document.problems().stream().map(trouble -> {
            ReadProblem problem = trouble.problem();
            boolean binary = problem.kind() == ReadProblem.Kind.BINARY;
            return Finding.of(binary ? Code.LINK_DOCUMENT_BINARY : Code.LINK_DOCUMENT_UNREADABLE).path(trouble.document()).at(problem.at())
                    .causedBy(new Cause(Cause.Kind.CONTENT, document.document()))
                    .fact(FORMAT, document.format()).fact(FAULT, problem.what()).make();
        })).toList();
    }
}
