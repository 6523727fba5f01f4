package org.opensatchel.core.check;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** What the checks of single links have in common: each judges the links of one outcome, one finding a link. */
abstract class LinkCheck implements Check {

    private final Outcome outcome;

    LinkCheck(Outcome outcome) {
        this.outcome = outcome;
    }

    @Override
    public final List<Finding> judge(Evidence evidence) {
        return evidence.resolution().links().stream().filter(link -> link.outcome() == outcome).map(link -> judge(evidence, link)).toList();
    }

    abstract Finding judge(Evidence evidence, ResolvedLink link);

    static Finding.Builder finding(Evidence evidence, Code code, Advice advice, ResolvedLink link) {
        Finding.Builder finding = Finding.of(code, advice).path(link.link().document()).at(link.link().at()).proposal(link.proposal()).causedBy(LinkCauses.of(evidence, link));
        link.link().sure().ifPresent(finding::sure);
        return evidence.resolution().hasBetter(link) ? finding.atMost(Severity.NOTE) : finding;
    }

    /** The last name of what is linked, for sentences. */
    static String name(ResolvedLink link) {
        Optional<String> known = link.intended().filter(path -> !path.isRoot()).map(path -> path.name());
        String text = link.link().text();
        return known.orElseGet(() -> {
            String cut = text.replaceFirst("[/\\\\]+$", "");
            String last = cut.substring(Math.max(cut.lastIndexOf('/'), cut.lastIndexOf('\\')) + 1);
            return last.isEmpty() ? text : last;
        });
    }
}
