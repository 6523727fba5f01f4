package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.brief.Briefed;
import org.opensatchel.core.check.rule.PlannedAgainstFound;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.CandidateLine;
import org.opensatchel.core.report.Report.CarryFileLine;
import org.opensatchel.core.report.Report.CarryLine;
import org.opensatchel.core.report.Report.CarryLinkLine;
import org.opensatchel.core.report.Report.ConsequenceLine;
import org.opensatchel.core.report.Report.Counts;
import org.opensatchel.core.report.Report.Doubt;
import org.opensatchel.core.report.Report.Doubts;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.Report.KitRef;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.Report.Location;
import org.opensatchel.core.report.Report.Project;
import org.opensatchel.core.report.Report.ProposalLine;
import org.opensatchel.core.report.Report.SealedLine;
import org.opensatchel.core.report.Score;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.resolve.Carried;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.scan.ContentScan;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.link.DocumentLinks;

/** Lays what was found out into the shape of a report. */
final class ReportMaker {

    /** Files of sealed folders that a report keeps for the next hand-in. */
    private static final int MOST_SEALED = 10_000;
    /** Documents with doubtful links that are named. */
    private static final int MOST_DOUBTS = 100;
    /** Sounds that were not measured and are named. */
    private static final int MOST_UNHEARD = 1_000;
    /** What is told of links that lead to nothing, or out of the project. */
    private static final Set<Code> BROKEN = Set.of(Code.LINK_MISSING, Code.LINK_PINNED, Code.LINK_OUTSIDE, Code.LINK_NETWORK_SHARE,
            Code.LINK_TEMPORARY,
            Code.LINK_OTHER_PROJECT);

    private final CheckRequest request;
    private final Words words;

    ReportMaker(CheckRequest request) {
        this.request = request;
        this.words = request.words();
    }

    Report report(Evidence evidence, List<Finding> findings) {
        List<ResolvedLink> links = evidence.resolution().links();
        Project project = new Project(evidence.tree().rootName(), evidence.tree().count(), evidence.tree().bytes(),
                evidence.scan().documents().size(), links.size(),
                Optional.of((int) links.stream().filter(link -> link.link().isGuess()).count()).filter(count -> count > 0));
        Counts counts = counts(findings);
        Verdict verdict = counts.must() > 0 ? Verdict.FIX : Verdict.READY;
        List<FindingLine> lines = findings.stream().map(this::line).toList();
        return new Report(Report.VERSION, request.made(), verdict,
                doubts(evidence, findings), kit(),
                location(evidence.resolution().inferred()), project, counts,
                sealed(evidence), links.stream().map(this::line).toList(), lines, notChecked(evidence),
                carry(evidence), request.kit().flatMap(Kit::points).flatMap(points -> Score.of(points, verdict, FindingGroups.of(lines))),
                laidOver(evidence, findings), Optional.of(MediaTable.of(evidence)).filter(media -> media.files() > 0),
                Optional.of(TimelineTable.of(evidence)).filter(timelines -> !timelines.isEmpty()));
    }

    /** Documents that nobody described, with links in them that look broken: what they mean is a guess, and so is that they are sound. */
    private static Optional<Doubts> doubts(Evidence evidence, List<Finding> findings) {
        Set<ProjectPath> undescribed = evidence.scan().documents().stream()
                .filter(document -> document.format().equals(ContentScan.PATH_FINDER))
                .map(DocumentLinks::document).collect(Collectors.toSet());
        Map<ProjectPath, Integer> broken = new TreeMap<>();
        findings.stream()
                .filter(finding -> BROKEN.contains(finding.code()) && finding.sure().isPresent() && finding.severity() != Severity.NOTE
                        && undescribed.contains(finding.path()))
                .forEach(finding -> broken.merge(finding.path(), 1, Integer::sum));
        return broken.isEmpty() ? Optional.empty()
                : Optional.of(Doubts.of(
                        broken.entrySet().stream().limit(MOST_DOUBTS).map(one -> new Doubt(one.getKey().text(), one.getValue())).toList()));
    }

    /** A drawing that cannot be made costs the drawing only. */
    private static Optional<PlanFound> laidOver(Evidence evidence, List<Finding> findings) {
        try {
            return PlannedAgainstFound.of(evidence, findings);
        } catch (RuntimeException broke) {
            System.getLogger(ReportMaker.class.getName()).log(System.Logger.Level.WARNING, "the plan could not be laid over", broke);
            return Optional.empty();
        }
    }

    private static Optional<List<SealedLine>> sealed(Evidence evidence) {
        List<SealedFile> files = evidence.plan().map(PlanMatch::sealed).orElse(List.of());
        return files.isEmpty() ? Optional.empty()
                : Optional.of(files.stream().limit(MOST_SEALED)
                        .map(file -> new SealedLine(file.path().text(), file.bytes(), file.sha256(),
                                Optional.of(file.checksum()).filter(crc32 -> crc32 != 0)))
                        .toList());
    }

    private static List<String> notChecked(Evidence evidence) {
        Set<String> out = new TreeSet<>(evidence.scan().notChecked());
        evidence.kit().ifPresent(kit -> out.addAll(kit.unjudged()));
        if (evidence.briefed().stream().anyMatch(file -> file.isUnread())) {
            out.add("media");
        }
        List<Briefed> unheard = evidence.briefed().stream().filter(Briefed::isUnheard).toList();
        if (!unheard.isEmpty()) {
            out.add(Report.PEAKS);
            unheard.stream().limit(MOST_UNHEARD).forEach(file -> out.add(Report.peaksOf(file.path().text())));
        }
        if (evidence.confirmed().isPresent()) {
            out.remove("steps");
        }
        if (evidence.plan().filter(plan -> plan.sealed().size() > MOST_SEALED).isPresent()) {
            out.add("sealed");
        }
        if (!evidence.tree().seesEmpty() && evidence.kit().isPresent()) {
            out.add("folders");
        }
        if (evidence.resolution().exhausted()) {
            out.add("candidates");
        }
        return List.copyOf(out);
    }

    Report blocked(Finding finding) {
        List<Finding> findings = List.of(finding);
        return new Report(Report.VERSION, request.made(), Verdict.BLOCKED, Optional.empty(), kit(), location(Optional.empty()),
                new Project(Optional.empty(), 0, 0, 0, 0, Optional.empty()), counts(findings),
                Optional.empty(), List.of(), findings.stream().map(this::line).toList(), List.of(), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.empty());
    }

    private Optional<List<CarryLine>> carry(Evidence evidence) {
        List<CarryLine> lines = evidence.destinations().shown().stream().map(this::line).toList();
        return lines.isEmpty() ? Optional.empty() : Optional.of(lines);
    }

    private CarryLine line(Carried carried) {
        return new CarryLine(carried.machine().name(), carried.machine().title(), carried.opens(), carried.broken().size(),
                carried.broken().stream()
                        .map(broken -> new CarryLinkLine(broken.index(), words.text(broken.why()), Optional.of(broken.why()))).toList(),
                carried.refused().stream()
                        .map(refused -> new CarryFileLine(refused.path().text(), words.text(refused.why()), Optional.of(refused.why())))
                        .toList());
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

    private LinkLine line(ResolvedLink link) {
        List<CandidateLine> candidates = link.candidates().stream().map(candidate -> new CandidateLine(candidate.path().text(),
                words.text(candidate.reason().say()), rounded(candidate.sure()), Optional.of(candidate.reason()))).toList();
        return new LinkLine(link.link().document().text(), link.link().at().text(), link.link().text(), link.form().word(),
                link.outcome().word(), link.target().map(path -> path.text()),
                candidates.isEmpty() ? Optional.empty() : Optional.of(candidates),
                link.gaps().isEmpty() ? Optional.empty() : Optional.of(link.gaps()),
                link.link().forms().isEmpty() ? Optional.empty() : Optional.of(link.link().forms()), link.link().sure());
    }

    private FindingLine line(Finding finding) {
        List<ConsequenceLine> consequences = finding.consequences().stream().map(this::consequence).toList();
        Said said = words.of(finding);
        return new FindingLine(finding.code().id(), finding.severity().word(), finding.path().text(), at(finding), said.message().bounded(),
                said.why().bounded(),
                said.remedy().stream().map(Sentence::bounded).toList(),
                finding.sure().isPresent() ? Optional.of(rounded(finding.sure().getAsDouble())) : Optional.empty(),
                finding.proposal().map(ReportMaker::proposal), consequences.isEmpty() ? Optional.empty() : Optional.of(consequences),
                Optional.of(finding.facts()));
    }

    private ConsequenceLine consequence(Finding finding) {
        return new ConsequenceLine(finding.code().id(), finding.path().text(), at(finding), words.of(finding).message().bounded(),
                Optional.of(finding.facts()));
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
