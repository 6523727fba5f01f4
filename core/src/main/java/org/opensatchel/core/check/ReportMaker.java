package org.opensatchel.core.check;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.carry.CarryTest;
import org.opensatchel.core.carry.Carried;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.report.Report.CarryFileLine;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.Counts;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.KitRef;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.Report.Location;
import org.opensatchel.core.report.Report.Project;
import org.opensatchel.core.report.Report.ProposalLine;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.resolve.ResolvedLink;

/** Lays what was found out into the shape of a report. */
final class ReportMaker {

    private final CheckRequest request;

    ReportMaker(CheckRequest request) {
        this.request = request;
    }

    Report report(Evidence evidence, List<Finding> findings) {
        List<ResolvedLink> links = evidence.resolution().links();
        Project project = new Project(evidence.tree().rootName(), evidence.tree().count(), evidence.tree().bytes(), evidence.scan().documents().size(), links.size());
        Counts counts = counts(findings);
        return new Report(Report.VERSION, request.made(), counts.must() > 0 ? Verdict.FIX : Verdict.READY, kit(), location(evidence.resolution().inferred()), project, counts,
                links.stream().map(ReportMaker::line).toList(), findings.stream().map(ReportMaker::line).toList(), notChecked(evidence), carry(evidence));
    }

    private static List<String> notChecked(Evidence evidence) {
        Set<String> out = new TreeSet<>(evidence.scan().notChecked());
        if (evidence.resolution().exhausted()) {
            out.add("candidates");
        }
        return List.copyOf(out);
    }

    Report blocked(Finding finding) {
        List<Finding> findings = List.of(finding);
        return new Report(Report.VERSION, request.made(), Verdict.BLOCKED, kit(), location(Optional.empty()), new Project(Optional.empty(), 0, 0, 0, 0), counts(findings),
                List.of(), findings.stream().map(ReportMaker::line).toList(), List.of(), Optional.empty());
    }

    private Optional<List<CarryLine>> carry(Evidence evidence) {
        String root = evidence.rootNames().actual().or(evidence.rootNames()::expected).orElse("project");
        List<CarryLine> lines = request.destinations().stream().map(machine -> line(CarryTest.of(evidence.tree(), root, evidence.resolution().links(), machine))).toList();
        return lines.isEmpty() ? Optional.empty() : Optional.of(lines);
    }

    private static CarryLine line(Carried carried) {
        return new CarryLine(carried.machine().name(), carried.machine().title(), carried.opens(), carried.broken().size(),
                carried.broken().stream().map(broken -> new CarryLinkLine(broken.index(), broken.why())).toList(),
                carried.refused().stream().map(refused -> new CarryFileLine(refused.path().text(), refused.why())).toList());
    }

    private Optional<KitRef> kit() {
        return request.kit().map(kit -> new KitRef(kit.title(), kit.version()));
    }

    private Optional<Location> location(Optional<String> inferred) {
        Optional<String> declared = request.location().map(location -> location.path());
        return declared.isEmpty() && inferred.isEmpty() ? Optional.empty() : Optional.of(new Location(declared, inferred));
    }

    private static Counts counts(List<Finding> findings) {
        return new Counts(count(findings, Severity.MUST), count(findings, Severity.SHOULD), count(findings, Severity.NOTE));
    }

    private static int count(List<Finding> findings, Severity severity) {
        return (int) findings.stream().filter(finding -> finding.severity() == severity).count();
    }

    private static LinkLine line(ResolvedLink link) {
        List<CandidateLine> candidates = link.candidates().stream().map(candidate -> new CandidateLine(candidate.path().text(), candidate.why(), rounded(candidate.sure()))).toList();
        return new LinkLine(link.link().document().text(), link.link().at().text(), link.link().text(), link.form().word(), link.outcome().word(), link.target().map(path -> path.text()),
                candidates.isEmpty() ? Optional.empty() : Optional.of(candidates), link.gaps().isEmpty() ? Optional.empty() : Optional.of(link.gaps()));
    }

    private static FindingLine line(Finding finding) {
        List<ConsequenceLine> consequences = finding.consequences().stream()
                .map(follows -> new ConsequenceLine(follows.code().id(), follows.path().text(), at(follows), follows.message())).toList();
        return new FindingLine(finding.code().id(), finding.severity().word(), finding.path().text(), at(finding), finding.message(), finding.why(), finding.remedy(),
                finding.sure().isPresent() ? Optional.of(rounded(finding.sure().getAsDouble())) : Optional.empty(), finding.proposal().map(ReportMaker::proposal),
                consequences.isEmpty() ? Optional.empty() : Optional.of(consequences));
    }

    private static ProposalLine proposal(Candidate candidate) {
        return new ProposalLine(candidate.path().text(), rounded(candidate.sure()));
    }

    private static Optional<String> at(Finding finding) {
        return Optional.of(finding.at().text()).filter(text -> !text.isEmpty());
    }

    private static double rounded(double sure) {
        return Math.round(sure * 100) / 100.0;
    }
}
