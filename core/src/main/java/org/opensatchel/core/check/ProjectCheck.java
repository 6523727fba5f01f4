package org.opensatchel.core.check;

import static org.opensatchel.base.fact.FactName.CODES;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FORMAT;
import static org.opensatchel.base.fact.FactName.HOW;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.brief.Briefed;
import org.opensatchel.core.check.brief.Briefing;
import org.opensatchel.core.check.rule.Rule;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.check.rule.Shortcuts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.match.ExcludedParts;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.Proxies;
import org.opensatchel.core.match.Proxy;
import org.opensatchel.core.match.RenamedByLinks;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.NameChoice;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.PackageWording;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.SourceListing;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.resolve.Resolution;
import org.opensatchel.core.resolve.RootNames;
import org.opensatchel.core.scan.ContentScan;
import org.opensatchel.core.scan.Listening;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.core.scan.Workers;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.described.Profiles;

/**
 * The run over a project, from its source to its report: list, find the root, read every content once, resolve the links,
 * hold the tree against the plan, judge. Each stage is a value handed to the next. Used from many threads at once.
 */
public final class ProjectCheck {

    /** Projects of more files are judged on several threads; no check looks at what another finds. */
    private static final int MANY = 5_000;
    /** Of documents that did not come along so many are named. */
    private static final int MOST_UNREAD = 1_000;

    private final CheckRequest request;

    public ProjectCheck(CheckRequest request) {
        this.request = request;
    }

    /** Checks a project; the source is read, not closed. */
    public Report run(ProjectSource source) throws IOException {
        return run(source, true);
    }

    /** @param mayAskAgain whether the names of the source may be read in another way when the links speak for that */
    private Report run(ProjectSource source, boolean mayAskAgain) throws IOException {
        Intake intake = source.list(request.limits());
        if (intake instanceof Intake.Blocked blocked) {
            return blocked(blocked);
        }
        SourceListing listing = ((Intake.Opened) intake).listing();
        RootChoice root = new RootFinder(request.kit(), request.fields()).find(listing);
        TreeBuilder.Built built = new TreeBuilder(source, request.kit(), request.fields(), request.limits()).build(listing, root);
        if (built.tree().files().isEmpty() && built.tree().folders().isEmpty() && built.faults().isEmpty()) {
            return blocked(new Intake.Blocked(Code.PACKAGE_UNREADABLE, PackageWording.ONLY_LEFTOVERS.say()));
        }
        Marker marker = marker(source, built.tree());
        CheckRequest known = request.whose(request.fields().or(marker.fields()));
        Scan scan = scan(source, built.tree(), new ExcludedParts(known.kit(), known.fields()));
        if (mayAskAgain && source.names().isOpen() && source.chooseNames(linkedNames(scan))) {
            return run(source, false);
        }
        tellFormats(built.tree(), scan);
        request.files().accept(built.tree());
        return report(source, root, built, known, marker, scan);
    }

    private void tellFormats(ProjectTree tree, Scan scan) {
        Map<ProjectPath, String> formats = new HashMap<>();
        scan.documents().forEach(document -> formats.put(document.document(), document.format()));
        tree.ownFiles().forEach(file -> request.formats().read(file.path(), Optional.ofNullable(formats.get(file.path()))));
    }

    /** The last names of what documents link. */
    private static Set<String> linkedNames(Scan scan) {
        return scan.documents().stream().flatMap(document -> document.links().stream()).flatMap(link -> link.address().stream())
                .flatMap(address -> address.names().stream()).filter(name -> name.chars().anyMatch(c -> c > 127))
                .map(NameFolding::composed).collect(Collectors.toSet());
    }

    private Report report(ProjectSource source, RootChoice root, TreeBuilder.Built built, CheckRequest known, Marker marker, Scan scan)
            throws IOException {
        Optional<Kit> kit = known.kit();
        ProjectTree tree = built.tree();
        RootNames names = new RootNames(tree.rootName(), kit.flatMap(plan -> plan.root().make(known.fields(), plan.ascii())),
                kit.map(Kit::root));
        Resolution resolution = Resolution.of(tree, scan, kit, names, known.places().stream().map(ProjectLocation::path).toList(),
                known.limits().sums().candidates());
        Optional<PlanMatch> plan = kit
                .map(planned -> new PlanMatch(tree, scan, resolution.links(), planned, known.fields(), known.earlier()));
        List<PackageFault> faults = built.faults();
        Set<ProjectPath> older = OlderVersions.among(tree, scan.documents(), plan, kit, known.fields());
        Map<ProjectPath, Proxy> proxies = plan.map(match -> Proxies.of(match, kit.get(), known.fields(), tree, scan)).orElse(Map.of());
        Set<ProjectPath> apart = new HashSet<>(older);
        apart.addAll(proxies.keySet());
        List<Briefed> briefed = plan
                .map(match -> Briefing.of(match, kit.get(), tree, scan, apart, file -> source.hasContent(file.entry()))).orElse(List.of());
        Destinations destinations = new Destinations(tree, names.actual().or(names::expected).orElse("project"), resolution, known);
        Evidence evidence = new Evidence(tree, root, kit, known.fields(), request.fields(), known.roster(), scan, names, resolution, plan,
                faults, built.leftovers(),
                Shortcuts.among(faults, tree, scan), known.places(), known.team(), marker, known.newer(),
                known.limits().findingsPerCode(), destinations,
                older,
                kit.isPresent() ? Map.of() : RenamedByLinks.of(tree, scan, resolution.links()), known.confirmed(), briefed, proxies);
        return new ReportMaker(known).report(evidence, judged(evidence, source.names()));
    }

    private static Marker marker(ProjectSource source, ProjectTree tree) {
        Optional<ProjectFile> file = tree.file(ProjectPath.of(Marker.FILE))
                .filter(marker -> source.hasContent(marker.entry()) && marker.bytes() <= Marker.MAX_BYTES);
        if (file.isEmpty()) {
            return Marker.NONE;
        }
        try (InputStream content = source.open(file.get().entry())) {
            return Marker.read(content.readNBytes(Marker.MAX_BYTES));
        } catch (IOException unreadable) {
            // Told with the other members that cannot be read.
            return Marker.NONE;
        }
    }

    private Scan scan(ProjectSource source, ProjectTree tree, ExcludedParts apart) throws IOException {
        Set<Long> wanted = new HashSet<>();
        request.kit().ifPresent(kit -> kit.starter().forEach(file -> wanted.add(file.bytes())));
        request.earlier().stream().filter(file -> file.sha256().isPresent()).forEach(file -> wanted.add(file.bytes()));
        long maxHashed = request.kit().map(kit -> kit.limits().fileBytes().orElse(Long.MAX_VALUE)).orElse(Long.MAX_VALUE);
        Scan scan = new ContentScan(source, request.limits(), path -> !apart.isManaged(path), wanted, maxHashed, request.progress(),
                request.kit().map(kit -> new CustomLinks(kit.links().custom())).orElse(CustomLinks.NONE), new Profiles(request.profiles()),
                request.kit().map(Briefing::listening).orElse(Listening.NONE)).scan(tree);
        Set<String> notChecked = new TreeSet<>(scan.notChecked());
        if (request.documentsKnown()) {
            notChecked.addAll(withoutContent(source, tree, apart));
        } else {
            notChecked.add(Report.LINKS);
        }
        return new Scan(scan.facts(), scan.documents(), scan.damaged(), scan.failures(), scan.timelines(), notChecked);
    }

    /** What is told of documents that were listed and did not come along. */
    private static List<String> withoutContent(ProjectSource source, ProjectTree tree, ExcludedParts apart) {
        return tree.ownFiles().stream().filter(file -> file.bytes() > 0 && !file.entry().placeholder() && !source.hasContent(file.entry()))
                .filter(file -> Formats.documentEndings().contains(file.path().extension()) && !apart.isManaged(file.path()))
                .limit(MOST_UNREAD).map(file -> Report.linksOf(file.path().text())).toList();
    }

    /** The one place where a check that breaks costs itself only. */
    private List<Finding> judged(Evidence evidence, NameChoice names) throws IOException {
        List<Rule<?>> rules = Rules.all();
        List<List<Finding>> told = new ArrayList<>(Collections.nCopies(rules.size(), List.of()));
        Workers.run(evidence.tree().count() > MANY ? Workers.most() : 1, rules.size(), i -> {
            // From the last: those that look at every file stand there, and none of them should be left over alone.
            int number = rules.size() - 1 - i;
            told.set(number, judged(rules.get(number), evidence));
        });
        List<Finding> raw = new ArrayList<>();
        told.forEach(raw::addAll);
        evidence.scan().failures().forEach(
                (path, format) -> raw.add(Finding.of(Code.PACKAGE_RULE_FAILED).path(path).fact(HOW, "reader").fact(FORMAT, format).make()));
        return new Findings(request.kit(), request.limits().findingsPerCode(), request.limits().sums().findings())
                .told(Proposals.free(names.sure() ? raw : UnsureNames.told(raw, names), evidence.tree()));
    }

    private static <E> List<Finding> judged(Rule<E> rule, Evidence evidence) {
        try {
            return rule.judge(rule.needs().cast(evidence));
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            List<String> codes = rule.gives().stream().map(Code::id).sorted().toList();
            System.getLogger(ProjectCheck.class.getName()).log(System.Logger.Level.WARNING, () -> "rule failed: " + codes, broke);
            return List.of(Finding.of(Code.PACKAGE_RULE_FAILED).fact(HOW, "rule").fact(CODES, codes).make());
        }
    }

    private Report blocked(Intake.Blocked blocked) {
        Finding finding = Finding.of(blocked.code()).fact(FAULT, blocked.what()).make();
        return new ReportMaker(request).blocked(finding);
    }
}
