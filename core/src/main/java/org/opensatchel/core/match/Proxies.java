package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.match.Proxy.Fit;
import org.opensatchel.core.naming.ProxyName;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;

/**
 * The stand-ins of a project, where its kit says how to know them: each with its original, found by its name and held against it by length
 * and rate where both say theirs.
 */
public final class Proxies {

    /** Coded films are as long as their last picture, coded sounds as their last block. */
    private static final double SPARE_SECONDS = 0.25;
    private static final double SPARE_PICTURES = 2;
    private static final double SAME_RATE = 0.02;

    private final PlanMatch plan;
    private final Kit kit;
    private final RosterFields fields;
    private final Scan scan;
    private final Map<ProjectPath, String> wanted = new LinkedHashMap<>();
    private final Map<String, List<ProjectFile>> originals = new HashMap<>();

    private Proxies(PlanMatch plan, Kit kit, RosterFields fields, Scan scan) {
        this.plan = plan;
        this.kit = kit;
        this.fields = fields;
        this.scan = scan;
    }

    /** In the order of their paths; empty where the kit says nothing of them. */
    public static Map<ProjectPath, Proxy> of(PlanMatch plan, Kit kit, RosterFields fields, ProjectTree tree, Scan scan) {
        List<Demand.Proxies> demands = kit.demands(Demand.Proxies.class);
        if (demands.isEmpty()) {
            return Map.of();
        }
        Proxies proxies = new Proxies(plan, kit, fields, scan);
        List<ProjectFile> files = tree.ownFiles();
        files.forEach(file -> demands.stream().flatMap(demand -> proxies.wanted(demand, file.path()).stream()).findFirst()
                .ifPresent(name -> proxies.wanted.put(file.path(), name)));
        files.stream().filter(file -> !proxies.wanted.containsKey(file.path()) && !plan.isManaged(file.path()))
                .filter(file -> !Formats.isWritten(file.path().extension()))
                .forEach(file -> proxies.originals.computeIfAbsent(key(file.path().stem()), first -> new ArrayList<>()).add(file));
        Map<ProjectPath, Proxy> out = new LinkedHashMap<>();
        proxies.wanted.forEach((path, name) -> out.put(path, proxies.matched(path, name)));
        return out;
    }

    private static String key(String stem) {
        return NameFolding.folded(stem);
    }

    /** The name of the original, where the kit says that a file is a stand-in. */
    private Optional<String> wanted(Demand.Proxies demand, ProjectPath path) {
        boolean media = Formats.kind(path.extension()).isMedia() && !path.name().startsWith(".");
        // What lies in their folder is one; elsewhere a file that the plan asks for by its name is that.
        boolean there = media && (demand.in().isPresent() ? isIn(demand, path) : !plan.isPlannedFile(path));
        return there ? demand.name().orElse(ProxyName.SAME).original(path.stem()) : Optional.empty();
    }

    private boolean isIn(Demand.Proxies demand, ProjectPath path) {
        for (ProjectPath at = path.parent(); !at.isRoot(); at = at.parent()) {
            if (demand.in().orElseThrow().fits(at, fields, kit.ascii()) || plan.rule(at)
                    .filter(rule -> rule.path().text().equals(demand.in().orElseThrow().text())).isPresent()) {
                return true;
            }
        }
        return false;
    }

    private Proxy matched(ProjectPath path, String name) {
        FileKind kind = Formats.kind(path.extension());
        return originals.getOrDefault(key(name), List.of()).stream().map(ProjectFile::path)
                .filter(original -> Formats.kind(original.extension()) == kind || Formats.kind(original.extension()) == FileKind.OTHER)
                .map(original -> new Proxy(path, name, Optional.of(original), fit(path, original)))
                .min(Comparator.comparing(Proxy::fit)).orElseGet(() -> new Proxy(path, name, Optional.empty(), Fit.ALONE));
    }

    private Fit fit(ProjectPath path, ProjectPath original) {
        Optional<MediaFacts> one = facts(path);
        Optional<MediaFacts> other = facts(original);
        if (one.isEmpty() || other.isEmpty()) {
            return Fit.SAME;
        }
        Optional<Double> rate = rate(one.get());
        Optional<Double> asked = rate(other.get());
        double spare = Math.max(SPARE_SECONDS, asked.map(perSecond -> SPARE_PICTURES / perSecond).orElse(0.0));
        Optional<Double> length = one.get().seconds().map(Rational::value);
        Optional<Double> whole = other.get().seconds().map(Rational::value);
        if (length.isPresent() && whole.isPresent() && Math.abs(length.get() - whole.get()) > spare) {
            return Fit.LENGTH;
        }
        return rate.isPresent() && asked.isPresent() && Math.abs(rate.get() - asked.get()) > SAME_RATE ? Fit.RATE : Fit.SAME;
    }

    /** What can be held against one another: not what broke off, or is no such file. */
    private Optional<MediaFacts> facts(ProjectPath path) {
        return scan.facts(path).media().filter(media -> media.end() != MediaFacts.End.CUT && scan.facts(path).lie().isEmpty());
    }

    private static Optional<Double> rate(MediaFacts media) {
        return media.pictures().stream().findFirst().flatMap(Picture::rate).map(Rational::value).filter(rate -> rate > 0);
    }
}
