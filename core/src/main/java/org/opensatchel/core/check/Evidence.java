package org.opensatchel.core.check;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.brief.Briefed;
import org.opensatchel.core.check.rule.BriefEvidence;
import org.opensatchel.core.check.rule.DepthEvidence;
import org.opensatchel.core.check.rule.DepthEvidence.TooLong;
import org.opensatchel.core.check.rule.LinkCauses;
import org.opensatchel.core.check.rule.LocationEvidence;
import org.opensatchel.core.check.rule.NameEvidence;
import org.opensatchel.core.check.rule.PackageEvidence;
import org.opensatchel.core.check.rule.PlaceholderEvidence;
import org.opensatchel.core.check.rule.PlannedUseEvidence;
import org.opensatchel.core.check.rule.RefusedFile;
import org.opensatchel.core.check.rule.SizeEvidence;
import org.opensatchel.core.check.rule.StandIns;
import org.opensatchel.core.check.rule.StepEvidence;
import org.opensatchel.core.check.rule.TimelineMediaEvidence;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedStarter;
import org.opensatchel.core.match.Proxy;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.resolve.Resolution;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.resolve.RootNames;
import org.opensatchel.core.scan.FileFacts;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.timeline.Timeline;

/**
 * Everything the rules may look at, each through the small part of it that it needs. All of it is found out before the first rule
 * runs.
 *
 * @param scan what the contents told
 * @param resolution where the links lead
 * @param given whose project it should be, without what only its own marker says
 * @param team where the others of the team say it lies
 * @param roster everybody's fields, for telling whose name another name is; may be empty
 * @param faults what the source told about the package, paths from the root
 * @param newer a later version of the kit than the one it is held against
 * @param findingsPerCode as many of one code are told; of the rest only their number
 * @param destinations the project as it would be on other machines
 * @param became without a plan, what became of folders that links look for and do not find
 * @param confirmed the keys of the steps that were confirmed, where somebody was asked
 * @param older documents that are kept older versions of another
 * @param briefed files of which the kit's briefs ask something
 * @param proxies stand-ins of lower resolution
 * @param leftovers files and folders of systems and programs that were set aside
 */
record Evidence(ProjectTree tree, RootChoice root, Optional<Kit> kit, RosterFields fields, RosterFields given, List<RosterFields> roster,
        Scan scan, RootNames rootNames,
        Resolution resolution, Optional<PlanMatch> plan, List<PackageFault> faults, List<String> leftovers, StandIns standIns,
        List<ProjectLocation> places, List<TeamLocation> team, Marker marker, Optional<Kit> newer, int findingsPerCode,
        Destinations destinations, Set<ProjectPath> older, Map<ProjectPath, ProjectPath> became,
        Optional<Set<String>> confirmed, List<Briefed> briefed, Map<ProjectPath, Proxy> proxies)
        implements
            PackageEvidence,
            NameEvidence,
            PlannedUseEvidence,
            PlaceholderEvidence,
            SizeEvidence,
            LocationEvidence,
            DepthEvidence,
            StepEvidence,
            BriefEvidence,
            TimelineMediaEvidence {

    boolean linksChecked() {
        return scan.notChecked().stream().noneMatch(Report::isLinks);
    }

    @Override
    public Map<ProjectPath, Phrase> damaged() {
        return scan.damaged();
    }

    @Override
    public boolean isManaged(ProjectPath path) {
        return plan.isPresent() && plan.get().isManaged(path);
    }

    @Override
    public boolean isPlanned(ProjectPath path) {
        return plan.isPresent() && plan.get().isPlannedFile(path);
    }

    @Override
    public Optional<PlannedStarter> starter(ProjectPath path) {
        return plan.flatMap(match -> match.starter(path));
    }

    @Override
    public boolean isShortcut(ProjectPath path) {
        return scan.facts(path).shortcut();
    }

    @Override
    public List<Timeline> timelines() {
        return scan.timelines();
    }

    @Override
    public Map<ProjectPath, Double> used(Timeline timeline) {
        Map<String, Double> seconds = new HashMap<>();
        timeline.clips().filter(Timeline.Item::enabled)
                .forEach(clip -> clip.link().ifPresent(at -> seconds.merge(at, clip.seconds(), Double::sum)));
        Map<ProjectPath, Double> out = new TreeMap<>();
        resolution.links().stream().filter(link -> link.link().file().equals(timeline.document())).forEach(link -> {
            Double some = seconds.get(link.link().at().text());
            if (some != null) {
                link.target().or(link::intended).ifPresent(path -> out.merge(path, some, Double::sum));
            }
        });
        return out;
    }

    @Override
    public boolean isRead(ProjectPath document) {
        return scan.documents().stream().anyMatch(read -> read.document().equals(document));
    }

    @Override
    public List<ProjectFile> files() {
        return tree.ownFiles();
    }

    @Override
    public long bytes() {
        return tree.bytes();
    }

    @Override
    public Map<ProjectPath, FileFacts> facts() {
        return scan.facts();
    }

    @Override
    public FileFacts facts(ProjectPath path) {
        return scan.facts(path);
    }

    @Override
    public Optional<String> sha256(ProjectFile file) {
        return scan.sha256(file);
    }

    @Override
    public Kit.Limits limits() {
        return kit.map(Kit::limits).orElse(Kit.Limits.NONE);
    }

    @Override
    public List<ResolvedLink> links() {
        return resolution.links();
    }

    @Override
    public List<DocumentLinks> documents() {
        return scan.documents();
    }

    @Override
    public Optional<Cause> causeOf(ResolvedLink link) {
        return LinkCauses.of(this, link);
    }

    @Override
    public boolean isMereName(ResolvedLink link) {
        return resolution.isMereName(link);
    }

    @Override
    public boolean isOlder(ResolvedLink link) {
        return isOlder(link.link().file());
    }

    @Override
    public boolean isOlder(ProjectPath document) {
        return older.contains(document);
    }

    @Override
    public List<String> breaksOn(ResolvedLink link) {
        return destinations.breaks(link);
    }

    @Override
    public Map<ProjectPath, RefusedFile> refused() {
        return destinations.refused(link -> !isOlder(link) && !hasBetter(link) && !link.link().isGuess());
    }

    @Override
    public Map<ProjectPath, TooLong> tooLong() {
        return destinations.tooLong();
    }

    @Override
    public boolean hasBetter(ResolvedLink link) {
        return resolution.hasBetter(link);
    }

    @Override
    public boolean allLinksKnown() {
        return linksChecked() && scan.failures().isEmpty() && scan.documents().stream().allMatch(document -> document.problems().isEmpty());
    }

    @Override
    public Set<ProjectPath> linked() {
        return resolution.linked(tree);
    }

    @Override
    public Optional<LocationPolicy> locationPolicy() {
        return kit.flatMap(Kit::location);
    }

    @Override
    public Optional<String> inferred() {
        return resolution.inferred();
    }
}
