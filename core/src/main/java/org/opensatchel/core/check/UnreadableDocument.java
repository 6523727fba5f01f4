package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.link.ReadProblem;

/** A document that cannot be read to its end; the links before the fault were checked. */
final class UnreadableDocument implements Check {

    private static final Advice ADVICE = Advice.of("A document cannot be read", "What it links after this place is not known, and a program may refuse to open it.",
            "Open it in your program. If that works, save it again under a new version.", "If it does not, go back to the last version that opens.");

    private static final Advice BINARY = Advice.of("A document is saved in binary", "What it links cannot be checked or mended, and an older release of the program may not open it.",
            "Open it in your program.", "Save it as text, where the program offers both.", "Hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_DOCUMENT_UNREADABLE, ADVICE, Code.LINK_DOCUMENT_BINARY, BINARY);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.scan().documents().stream().flatMap(document -> document.problems().stream().map(trouble -> {
            ReadProblem problem = trouble.problem();
            String place = problem.at().text().isEmpty() ? "" : " (at " + problem.at().text() + ")";
            boolean binary = problem.kind() == ReadProblem.Kind.BINARY;
            return Finding.of(binary ? Code.LINK_DOCUMENT_BINARY : Code.LINK_DOCUMENT_UNREADABLE, binary ? BINARY : ADVICE).path(trouble.document()).at(problem.at()).causedBy(new Cause(Cause.Kind.CONTENT, document.document()))
                    .saying("“" + trouble.document().name() + "” (" + document.format() + ") " + problem.phrase() + place + ".");
        })).toList();
    }
}
