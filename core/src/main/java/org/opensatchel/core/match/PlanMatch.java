package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.scan.Scan;

/**
 * The project found, held against the project planned: what stands for which planned folder, role and starter file. Made
 * once, before anything is judged, so that one cause is told once.
 */
public final class PlanMatch {

    private final Kit kit;
    private final RosterFields fields;
    private final FolderMatch folders;
    private final List<PlannedFolder> matches;
    private final List<PlannedRole> roles;
    private final List<PlannedStarter> starters;
    private final Map<ProjectPath, PlannedStarter> byStarter = new HashMap<>();
    /** Folders above a starter file or a role, composed. */
    private final Set<ProjectPath> above = new HashSet<>();
    private final ExcludedParts apart;
    private final List<SealedFile> sealed;
    private final List<TouchedFile> touched;
    private final Map<ProjectPath, TouchedFile> wereAt = new HashMap<>();
    private final Set<ProjectPath> planned = new HashSet<>();
    /** Rules whose one path is known, by it, and those that many folders may fit. */
    private final Map<ProjectPath, FolderRule> plain = new HashMap<>();
    private final List<FolderRule> free = new ArrayList<>();
    private final Map<ProjectPath, Optional<FolderRule>> rules = new ConcurrentHashMap<>();

    /**
     * @param links where the project's links lead: they tell what became of a folder they led into
     * @param earlier the files of sealed folders as an earlier hand-in had them; empty where there is none
     */
    public PlanMatch(ProjectTree tree, Scan scan, Collection<ResolvedLink> links, Kit kit, RosterFields fields, List<SealedFile> earlier) {
        this.kit = kit;
        this.fields = fields;
        this.apart = new ExcludedParts(Optional.of(kit), fields);
        for (FolderRule rule : kit.folders()) {
            rule.path().make(fields, kit.ascii()).ifPresentOrElse(path -> plain.putIfAbsent(path.composed(), rule), () -> free.add(rule));
        }
        this.folders = new FolderMatch(tree, kit, fields, gone -> new FolderTraces(tree, scan, links, kit.starter(), gone));
        folders.match();
        this.matches = folders.matches();
        this.roles = new RoleMatch(tree, kit, fields, folders::canonical, this::isSetApart).match();
        this.starters = new StarterMatch(tree, scan, folders::canonical).match(kit);
        starters.forEach(starter -> byStarter.put(starter.file().path().composed(), starter));
        kit.starter().forEach(file -> addAbove(file.path().parent()));
        roles.forEach(role -> addAbove(role.in()));
        roles.forEach(role -> {
            planned.addAll(role.fitting());
            planned.addAll(role.misnamed());
            planned.addAll(role.misplaced());
            planned.addAll(role.otherType());
        });
        starters.forEach(starter -> starter.found().ifPresent(planned::add));
        SealedMatch sealed = new SealedMatch(tree, scan, folders::canonical,
                path -> apart.isInSealed(path) && !apart.isManaged(path) && !isStarter(path));
        this.touched = sealed.touched(earlier);
        this.sealed = SealedMatch.remembered(earlier, sealed.now(), touched);
        touched.forEach(file -> {
            wereAt.put(file.path(), file);
            file.found().ifPresent(planned::add);
        });
        planned.add(ProjectPath.of(Marker.FILE));
        planned.add(ProjectPath.of(Marker.GUIDE));
    }

    public List<PlannedFolder> folders() {
        return matches;
    }

    public List<PlannedRole> roles() {
        return roles;
    }

    /** Whether a starter file belongs at this path. */
    public boolean isStarter(ProjectPath path) {
        return byStarter.containsKey(path.composed());
    }

    /** What became of the starter file that belongs at a path. */
    public Optional<PlannedStarter> starter(ProjectPath path) {
        return Optional.ofNullable(byStarter.get(path.composed()));
    }

    public List<PlannedStarter> starters() {
        return starters;
    }

    /** The files of sealed folders that the next hand-in is to be held against: as they are, or as they were before they were touched. */
    public List<SealedFile> sealed() {
        return sealed;
    }

    /** Those that are not what they were in an earlier hand-in. */
    public List<TouchedFile> touched() {
        return touched;
    }

    /** What became of the sealed file that was at a path, when something did. */
    public Optional<TouchedFile> touched(ProjectPath path) {
        return Optional.ofNullable(wereAt.get(path.composed()));
    }

    /** Whether a file fills a role, came with the kit or marks the root. */
    public boolean isPlannedFile(ProjectPath path) {
        return planned.contains(path);
    }

    /** The path something would have if every renamed or moved folder were where it should be. */
    public ProjectPath canonical(ProjectPath path) {
        return folders.canonical(path);
    }

    /** Folders that stand for planned ones under a wrong name or in a wrong place, with the path they should have. */
    public Map<ProjectPath, ProjectPath> shouldBe() {
        return folders.shouldBe();
    }

    /** The rule that plans a folder, itself and not one around it. */
    public Optional<FolderRule> rule(ProjectPath folder) {
        return rules.computeIfAbsent(folder, asked -> {
            ProjectPath right = canonical(asked);
            FolderRule known = plain.get(right);
            return known != null ? Optional.of(known)
                    : free.stream().filter(rule -> rule.path().fits(right, fields, kit.ascii()))
                            .min(Comparator.comparingInt(rule -> rule.path().freedom()));
        });
    }

    /** Whether a folder stands on the way to a planned one. */
    public boolean isOnTheWay(ProjectPath folder) {
        ProjectPath right = canonical(folder);
        return above.contains(right) || kit.folders().stream().anyMatch(rule -> rule.path().isReachedThrough(right, fields, kit.ascii()));
    }

    private void addAbove(ProjectPath folder) {
        for (ProjectPath at = folder.composed(); !at.isRoot() && above.add(at);) {
            at = at.parent();
        }
    }

    /** Whether a path lies in a sealed or managed folder, or is a managed one. */
    public boolean isSetApart(ProjectPath path) {
        ProjectPath right = canonical(path);
        return apart.isManaged(right) || apart.isInSealed(right);
    }

    public boolean isManaged(ProjectPath path) {
        return apart.isManaged(canonical(path));
    }

    public boolean isInSealed(ProjectPath path) {
        return apart.isInSealed(canonical(path));
    }

    /** The planned folder that is missing, renamed or moved and would hold a path. */
    public Optional<PlannedFolder> brokenFolder(ProjectPath path) {
        ProjectPath asked = path.composed();
        return matches.stream().filter(match -> match.kind() != PlannedFolder.Kind.THERE && asked.isWithin(match.planned())).findFirst();
    }
}
