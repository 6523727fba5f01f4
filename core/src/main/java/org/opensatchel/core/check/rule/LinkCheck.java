package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** What the checks of single links have in common: each judges the links of one outcome, one finding a link. */
abstract class LinkCheck implements Rule<LinkEvidence> {

    private final Outcome outcome;

    LinkCheck(Outcome outcome) {
        this.outcome = outcome;
    }

    @Override
    public final Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public final List<Finding> judge(LinkEvidence evidence) {
        return evidence.links().stream().filter(link -> link.outcome() == outcome).map(link -> judge(evidence, link)).toList();
    }

    abstract Finding judge(LinkEvidence evidence, ResolvedLink link);

    static Finding.Builder finding(LinkEvidence evidence, Code code, ResolvedLink link) {
        Finding.Builder finding = Finding.of(code).path(link.link().document()).at(link.link().at()).proposal(link.proposal())
                .causedBy(evidence.causeOf(link));
        link.link().sure().ifPresent(finding::sure);
        if (evidence.isMereName(link)) {
            finding.atMost(Severity.NOTE);
        }
        if (evidence.isOlder(link)) {
            finding.atMost(Severity.NOTE).causedBy(evidence.causeOf(link).or(() -> Optional.of(OlderDocuments.CAUSE)));
        }
        return evidence.hasBetter(link) ? finding.atMost(Severity.NOTE) : finding;
    }

    /** Where the kit requires a machine on which it does not open, that weighs as much as a file that is not there. */
    static Finding.Builder brokenThere(LinkEvidence evidence, ResolvedLink link, Finding.Builder finding) {
        List<String> machines = evidence.isOlder(link) ? List.of() : evidence.breaksOn(link);
        return machines.isEmpty() ? finding : finding.atLeast(Severity.MUST).fact(FactName.MACHINES, machines);
    }

    /** The last name of what is linked, for sentences: as the file is called, not as an address writes it. */
    static String name(ResolvedLink link) {
        return link.intended().filter(path -> !path.isRoot()).map(ProjectPath::name)
                .or(() -> link.link().address().map(LinkAddress::name).map(LinkCheck::last).filter(name -> !name.isEmpty()))
                .orElseGet(() -> last(link.link().text()));
    }

    private static String last(String text) {
        String cut = text.replaceFirst("[/\\\\]+$", "");
        String last = cut.substring(Math.max(cut.lastIndexOf('/'), cut.lastIndexOf('\\')) + 1);
        return last.isEmpty() ? text : last;
    }
}
