package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.EditDistance;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectTree;

/**
 * Holds the folders found against the folders planned. A planned folder that is not there is looked for under a nearly
 * right name in the same place, by what links and starter files say it held, and under its own name in another place, before it is
 * called missing.
 */
final class FolderMatch {

    private final ProjectTree tree;
    private final Kit kit;
    private final RosterFields fields;
    private final Function<Set<ProjectPath>, FolderTraces> traces;
    private final List<FolderRule> above;
    private final Map<FolderRule, PlannedFolder> matches = new LinkedHashMap<>();
    /** Folders that stand for planned ones, with the path they should have. */
    private final Map<ProjectPath, ProjectPath> shouldBe = new HashMap<>();
    /** The same the other way round. */
    private final Map<ProjectPath, ProjectPath> standsAt = new HashMap<>();
    /** The folders there are, by their path and by their name as these are compared. */
    private final Map<ProjectPath, List<ProjectPath>> byPath = new HashMap<>();
    private final Map<String, List<ProjectPath>> byName = new HashMap<>();
    private final Set<ProjectPath> taken = new HashSet<>();

    /** @param traces what some planned folders have left behind; asked for only when a folder is gone */
    FolderMatch(ProjectTree tree, Kit kit, RosterFields fields, Function<Set<ProjectPath>, FolderTraces> traces) {
        this.traces = traces;
        this.tree = tree;
        this.kit = kit;
        this.fields = fields;
        this.above = above(kit, fields);
    }

    /** The folders that hold what repeats and have no rule of their own: they may be renamed like any other. */
    private static List<FolderRule> above(Kit kit, RosterFields fields) {
        Map<String, FolderRule> out = new LinkedHashMap<>();
        for (FolderRule rule : kit.folders()) {
            List<NamePattern> names = rule.path().names();
            int made = 0;
            while (made < names.size() && names.get(made).make(fields, kit.ascii()).isPresent()) {
                made++;
            }
            if (made > 0 && made < names.size() && rule.need() != Need.FORBIDDEN) {
                FolderPattern path = new FolderPattern(
                        names.subList(0, made).stream().map(NamePattern::text).collect(Collectors.joining("/")), names.subList(0, made));
                boolean planned = kit.folders().stream().anyMatch(other -> other.path().key().equals(path.key()));
                if (!planned) {
                    out.putIfAbsent(path.key(), FolderRule.plain(path, Need.OPTIONAL, List.of(), false, OptionalInt.empty()));
                }
            }
        }
        return List.copyOf(out.values());
    }

    void match() {
        List<FolderRule> rules = new ArrayList<>(kit.folders());
        rules.addAll(above);
        for (ProjectPath folder : tree.folders()) {
            if (!folder.isBesideRoot()) {
                byPath.computeIfAbsent(folder.composed(), path -> new ArrayList<>(1)).add(folder);
                byName.computeIfAbsent(NameFolding.folded(folder.name()), name -> new ArrayList<>(1)).add(folder);
            }
        }
        // Folders before those in them: what a folder became is where the ones in it are looked for.
        rules.sort(Comparator.comparingInt(FolderMatch::depth));
        for (FolderRule rule : rules) {
            List<ProjectPath> fitting = fitting(rule);
            taken.addAll(fitting);
            matches.put(rule, new PlannedFolder(rule, planned(rule.path()),
                    fitting.isEmpty() ? PlannedFolder.Kind.MISSING : PlannedFolder.Kind.THERE, fitting));
        }
        List<FolderRule> gone = rules.stream().filter(this::isGone).toList();
        gone.stream().map(FolderMatch::depth).distinct()
                .forEach(depth -> lookFor(gone.stream().filter(rule -> depth(rule) == depth).toList()));
        kit.folders().stream().filter(rule -> matches.get(rule).kind() == PlannedFolder.Kind.MISSING && !isGone(rule)).forEach(this::refit);
    }

    /** What repeats may lie in a folder that was renamed, and then fits. */
    private void refit(FolderRule rule) {
        List<ProjectPath> fitting = shouldBe.isEmpty() ? List.of()
                : tree.folders().stream().filter(folder -> !folder.isBesideRoot())
                        .filter(folder -> rule.path().fits(canonical(folder), fields, kit.ascii())).toList();
        if (!fitting.isEmpty()) {
            taken.addAll(fitting);
            matches.put(rule, new PlannedFolder(rule, planned(rule.path()), PlannedFolder.Kind.THERE, fitting));
        }
    }

    /**
     * Looks for folders of one depth. Names are held against all of them first: a name that is nearly right says more than what a folder
     * holds.
     */
    private void lookFor(List<FolderRule> rules) {
        rules.forEach(this::lookNearby);
        Set<ProjectPath> planned = rules.stream().filter(this::isGone).map(rule -> matches.get(rule).planned()).collect(Collectors.toSet());
        if (!planned.isEmpty()) {
            FolderTraces left = traces.apply(planned);
            rules.stream().filter(this::isGone).forEach(rule -> follow(rule, left));
            rules.stream().filter(this::isGone).forEach(this::lookElsewhere);
        }
    }

    private boolean isGone(FolderRule rule) {
        return matches.get(rule).kind() == PlannedFolder.Kind.MISSING && rule.need() != Need.FORBIDDEN
                && rule.path().make(fields, kit.ascii()).isPresent();
    }

    private static int depth(FolderRule rule) {
        return rule.path().names().size();
    }

    /** Folders that are right as they are: nothing stands for anything else yet, so a plain path is simply looked up. */
    private List<ProjectPath> fitting(FolderRule rule) {
        Optional<ProjectPath> plain = rule.path().make(fields, kit.ascii());
        if (plain.isPresent()) {
            return byPath.getOrDefault(plain.get().composed(), List.of());
        }
        return tree.folders().stream().filter(folder -> !folder.isBesideRoot())
                .filter(folder -> rule.path().fits(folder, fields, kit.ascii())).toList();
    }

    private ProjectPath planned(FolderPattern pattern) {
        return pattern.make(fields, kit.ascii()).orElse(ProjectPath.of(pattern.text())).composed();
    }

    private void lookNearby(FolderRule rule) {
        ProjectPath planned = matches.get(rule).planned();
        // Inside a folder that was itself renamed, the rule may fit by now.
        Optional<ProjectPath> moved = standingFor(planned).filter(folder -> canonical(folder).equals(planned))
                .min(Comparator.naturalOrder());
        if (moved.isPresent()) {
            settle(rule, planned, PlannedFolder.Kind.THERE, moved.get());
        } else {
            unique(candidates(planned, true)).ifPresent(renamed -> settle(rule, planned, PlannedFolder.Kind.RENAMED, renamed));
        }
    }

    private void follow(FolderRule rule, FolderTraces left) {
        ProjectPath planned = matches.get(rule).planned();
        left.of(planned, folder -> isFree(folder) && !isClosed(folder)).ifPresent(found -> settle(rule, planned,
                canonical(found.parent()).equals(planned.parent()) ? PlannedFolder.Kind.RENAMED : PlannedFolder.Kind.MOVED, found));
    }

    private void lookElsewhere(FolderRule rule) {
        // A folder of an optional one's name in another place is just a folder.
        if (rule.need() == Need.REQUIRED) {
            ProjectPath planned = matches.get(rule).planned();
            unique(candidates(planned, false)).ifPresent(elsewhere -> settle(rule, planned, PlannedFolder.Kind.MOVED, elsewhere));
        }
    }

    private void settle(FolderRule rule, ProjectPath planned, PlannedFolder.Kind kind, ProjectPath found) {
        matches.put(rule, new PlannedFolder(rule, planned, kind, List.of(found)));
        taken.add(found);
        if (kind != PlannedFolder.Kind.THERE) {
            shouldBe.put(found, planned);
            standsAt.put(planned, found);
        }
    }

    /** The folders that may be what is planned here: under its own path, and inside folders that stand for one around it. */
    private Stream<ProjectPath> standingFor(ProjectPath planned) {
        if (planned.isRoot()) {
            return Stream.of(ProjectPath.ROOT);
        }
        List<ProjectPath> out = new ArrayList<>(List.of(planned));
        for (ProjectPath above = planned; !above.isRoot(); above = above.parent()) {
            ProjectPath found = standsAt.get(above);
            if (found != null) {
                out.add(found.child(planned.from(above)));
            }
        }
        return out.stream().map(ProjectPath::composed).distinct().flatMap(path -> byPath.getOrDefault(path, List.of()).stream());
    }

    private List<ProjectPath> candidates(ProjectPath planned, boolean samePlace) {
        List<ProjectPath> out = new ArrayList<>();
        List<ProjectPath> possible = samePlace
                ? standingFor(planned.parent()).flatMap(folder -> tree.children(folder).stream()).filter(tree::isFolder).sorted().toList()
                : byName.getOrDefault(NameFolding.folded(planned.name()), List.of());
        for (ProjectPath folder : possible) {
            boolean beside = canonical(folder.parent()).equals(planned.parent());
            boolean fits = samePlace ? beside && isLike(planned.name(), folder.name()) : !beside && !isClosed(folder.parent());
            // Asked last, since it costs most: every rule is held against the folder.
            if (fits && isFree(folder)) {
                out.add(folder);
            }
        }
        return out;
    }

    /** Whether a folder stands for no planned one, holds none, and is on the way to none. */
    private boolean isFree(ProjectPath folder) {
        return !folder.isBesideRoot() && !taken.contains(folder) && !isOnTheWay(folder) && !holdsTaken(folder);
    }

    /** Whether a folder lies in one that takes anything, so that what is in it is not ours to interpret. */
    private boolean isClosed(ProjectPath folder) {
        return matches.values().stream().filter(match -> match.rule().sealed() || match.rule().managed())
                .flatMap(match -> match.found().stream()).anyMatch(folder::isWithin);
    }

    private boolean holdsTaken(ProjectPath folder) {
        return taken.stream().anyMatch(other -> other.isBelow(folder));
    }

    private boolean isOnTheWay(ProjectPath folder) {
        return kit.folders().stream().anyMatch(rule -> rule.path().isReachedThrough(canonical(folder), fields, kit.ascii()));
    }

    private static boolean isLike(String planned, String found) {
        String a = NameFolding.loose(planned);
        String b = NameFolding.loose(found);
        if (a.equals(b)) {
            return true;
        }
        if (withoutDigits(a).equals(withoutDigits(b)) && !a.equals(withoutDigits(a))) {
            // Another number is another folder.
            return false;
        }
        boolean plural = a.length() > 3 && (b.equals(a + "s") || a.equals(b + "s"));
        boolean numbered = b.replaceFirst("^[0-9]+", "").equals(a) || b.replaceFirst("[0-9]+$", "").equals(a);
        int allowed = a.length() < 5 ? 0 : a.length() < 8 ? 1 : 2;
        return plural || numbered || (allowed > 0 && EditDistance.within(a, b, allowed) <= allowed);
    }

    private static String withoutDigits(String text) {
        return text.replaceAll("[0-9]", "");
    }

    private static Optional<ProjectPath> unique(List<ProjectPath> found) {
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    List<PlannedFolder> matches() {
        // Of those that only hold others nobody has to be told that they are where they should be, or are not there.
        return Stream.concat(kit.folders().stream(), above.stream().filter(rule -> shouldBe.containsValue(matches.get(rule).planned())))
                .map(matches::get).toList();
    }

    Map<ProjectPath, ProjectPath> shouldBe() {
        return shouldBe;
    }

    /** The path, composed, that something would have if every renamed or moved folder were where it should be. */
    ProjectPath canonical(ProjectPath path) {
        for (ProjectPath at = path; !shouldBe.isEmpty() && !at.isRoot(); at = at.parent()) {
            ProjectPath right = shouldBe.get(at);
            if (right != null) {
                return right.child(path.from(at)).composed();
            }
        }
        return path.composed();
    }
}
