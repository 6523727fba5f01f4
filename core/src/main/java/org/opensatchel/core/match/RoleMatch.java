package org.opensatchel.core.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.EditDistance;
import org.opensatchel.core.naming.NameVerdict;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.kind.TypeNames;

/** Finds the files that fill the roles a kit asks for, right or not quite right. */
final class RoleMatch {

    private final ProjectTree tree;
    private final Kit kit;
    private final RosterFields fields;
    private final UnaryOperator<ProjectPath> canonical;
    private final Predicate<ProjectPath> isSetApart;
    /** The files by the folder they are in once every folder is where it should be, and by their type. */
    private final Map<ProjectPath, List<ProjectPath>> byFolder = new HashMap<>();
    private final Map<String, List<ProjectPath>> byType = new HashMap<>();
    private final Set<ProjectPath> starters = new HashSet<>();
    private final Set<ProjectPath> used = new HashSet<>();

    RoleMatch(ProjectTree tree, Kit kit, RosterFields fields, UnaryOperator<ProjectPath> canonical, Predicate<ProjectPath> isSetApart) {
        this.tree = tree;
        this.kit = kit;
        this.fields = fields;
        this.canonical = canonical;
        this.isSetApart = isSetApart;
        kit.starter().forEach(file -> starters.add(file.path().composed()));
        for (ProjectFile file : tree.ownFiles()) {
            if (!isHandedOut(file.path())) {
                byFolder.computeIfAbsent(canonical.apply(file.path()).parent(), folder -> new ArrayList<>()).add(file.path());
                byType.computeIfAbsent(TypeNames.key(file.path().extension()), type -> new ArrayList<>()).add(file.path());
            }
        }
    }

    List<PlannedRole> match() {
        List<PlannedRole> roles = new ArrayList<>();
        Stream.concat(kit.documents().stream().flatMap(rule -> places(rule.in()).map(in -> PlannedRole.of(rule, in))),
                kit.files().stream().flatMap(rule -> places(rule.in()).map(in -> PlannedRole.of(rule, in)))).map(this::fitting)
                .forEach(roles::add);
        for (int i = 0; i < roles.size(); i++) {
            PlannedRole role = roles.get(i).ofOtherType(otherType(roles.get(i)));
            used.addAll(role.otherType());
            boolean open = role.need() != Need.FORBIDDEN && (role.document() || !role.isFilled());
            List<ProjectPath> wrong = open ? misnamed(role) : List.of();
            used.addAll(wrong);
            roles.set(i, role.found(role.fitting(), wrong, List.of()));
        }
        for (int i = 0; i < roles.size(); i++) {
            PlannedRole role = roles.get(i);
            List<ProjectPath> elsewhere = elsewhere(role);
            used.addAll(elsewhere);
            roles.set(i, role.found(role.fitting(), role.misnamed(), elsewhere));
        }
        return roles;
    }

    /** Where a rule's files belong: one place, or every folder there is that fits its pattern. */
    private Stream<ProjectPath> places(ProjectPath in) {
        if (in.text().indexOf('{') < 0) {
            return Stream.of(in.composed());
        }
        FolderPattern pattern = FolderPattern.of(in.text());
        Optional<ProjectPath> one = pattern.make(fields, kit.ascii());
        return one.isPresent() ? one.map(ProjectPath::composed).stream()
                : tree.folders().stream().filter(folder -> !folder.isBesideRoot()).map(canonical)
                        .filter(folder -> pattern.fits(folder, fields, kit.ascii()));
    }

    /** What bears the right name and is of another type: the right thing, saved in the wrong format. */
    private List<ProjectPath> otherType(PlannedRole role) {
        if (role.need() == Need.FORBIDDEN || !role.fitting().isEmpty() || role.types().isEmpty()) {
            return List.of();
        }
        return byFolder.getOrDefault(role.in(), List.of()).stream()
                .filter(path -> !role.takes(path) && !used.contains(path) && !starters.contains(canonical.apply(path)))
                .filter(path -> isMeant(role, path) && fits(role, path)).toList();
    }

    /** Whether a type may stand for another: a film for a film; a text or a list beside it is something else. */
    private static boolean isMeant(PlannedRole role, ProjectPath path) {
        FileKind kind = Formats.kind(path.extension());
        return role.types().stream().anyMatch(type -> Formats.kind(type) == kind && kind != FileKind.TEXT);
    }

    private PlannedRole fitting(PlannedRole role) {
        List<ProjectPath> right = inPlace(role).filter(path -> fits(role, path)).toList();
        used.addAll(right);
        return role.found(right, List.of(), List.of());
    }

    private Stream<ProjectPath> inPlace(PlannedRole role) {
        return byFolder.getOrDefault(role.in(), List.of()).stream().filter(role::takes);
    }

    /** The guide and the marker of every hand-out are nobody's page and nobody's document. */
    private static boolean isHandedOut(ProjectPath path) {
        return path.text().equals(Marker.GUIDE) || path.text().equals(Marker.FILE);
    }

    private boolean fits(PlannedRole role, ProjectPath path) {
        return role.name().test(path.stem(), fields, kit.ascii()).fits();
    }

    /** Documents: every one that fits no rule for its place. Other files: the one that comes nearest. */
    private List<ProjectPath> misnamed(PlannedRole role) {
        // What nobody has to hand in may be anything: only a name that is nearly right is one that went wrong.
        List<ProjectPath> left = inPlace(role).filter(path -> !used.contains(path) && !starters.contains(canonical.apply(path)))
                .filter(path -> role.need() == Need.REQUIRED || isLikely(role, path)).toList();
        return role.document() || left.size() < 2 ? left : List.of(nearest(role, left));
    }

    /** Whether a name is so nearly right that the rule must have been meant: somebody else's, without its version, or some letters off. */
    private boolean isLikely(PlannedRole role, ProjectPath path) {
        String stem = path.stem();
        boolean another = role.name().test(stem, RosterFields.NONE, kit.ascii()).fits()
                || role.name().withoutVersion().filter(rest -> rest.test(stem, fields, kit.ascii()).fits()).isPresent();
        if (another || !(role.name().test(stem, fields, kit.ascii()) instanceof NameVerdict.Differs differs)
                || differs.nearest().isEmpty()) {
            return another;
        }
        String right = NameFolding.loose(differs.nearest().get());
        String found = NameFolding.loose(stem);
        int allowed = Math.min(4, right.length() / 4);
        return right.equals(found) || EditDistance.within(right, found, allowed) <= allowed;
    }

    private ProjectPath nearest(PlannedRole role, List<ProjectPath> files) {
        ProjectPath best = files.get(0);
        int least = Integer.MAX_VALUE;
        for (ProjectPath file : files) {
            int apart = role.name().test(file.stem(), fields, kit.ascii()) instanceof NameVerdict.Differs differs
                    ? differs.nearest().map(right -> EditDistance.within(NameFolding.folded(right), NameFolding.folded(file.stem()), 50))
                            .orElse(60)
                    : 0;
            if (apart < least) {
                least = apart;
                best = file;
            }
        }
        return best;
    }

    /**
     * In another place: documents under their right name, wherever no folder asks for their type; and where nothing at all
     * fills the role, a file under its right name, or the only document of the type that no other folder asks for.
     */
    private List<ProjectPath> elsewhere(PlannedRole role) {
        if (role.types().isEmpty() || role.need() == Need.FORBIDDEN || !role.otherType().isEmpty()) {
            return List.of();
        }
        List<ProjectPath> ofType = role.types().stream().map(TypeNames::key).distinct()
                .flatMap(type -> byType.getOrDefault(type, List.of()).stream()).sorted()
                .filter(path -> !used.contains(path) && !starters.contains(canonical.apply(path)) && !isSetApart.test(path)).toList();
        List<ProjectPath> homeless = ofType.stream().filter(path -> kit.folders().stream()
                .noneMatch(rule -> rule.asksFor(path.extension())
                        && rule.path().fits(canonical.apply(path.parent()), fields, kit.ascii())))
                .toList();
        List<ProjectPath> named = homeless.stream().filter(path -> role.document() && fits(role, path)).toList();
        boolean filled = !role.fitting().isEmpty() || !role.misnamed().isEmpty();
        if (filled || !named.isEmpty()) {
            return named;
        }
        Optional<ProjectPath> renamedToo = ofType.stream().filter(path -> fits(role, path)).reduce((first, second) -> second);
        if (renamedToo.isPresent()) {
            return List.of(renamedToo.get());
        }
        return role.document() && role.need() == Need.REQUIRED && homeless.size() == 1 ? homeless : List.of();
    }
}
