package org.opensatchel.core.project;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.Leftovers;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;

/** Makes the project's tree of what a source lists below the root, with leftovers set aside and companions beside it. */
public final class TreeBuilder {

    /**
     * The tree, and what is told about what is not in it.
     *
     * @param faults the source's faults, with paths from the root where they lie in it
     * @param leftovers the topmost leftovers of systems and programs, from the root
     */
    public record Built(ProjectTree tree, List<PackageFault> faults, List<String> leftovers) {}

    private final ProjectSource source;
    private final Optional<Kit> kit;
    private final RosterFields fields;
    private final List<Glob> ignored;
    private final Set<String> companions;
    private final ReadLimits limits;

    /** @param fields whose project it is, for what the plan's patterns name */
    public TreeBuilder(ProjectSource source, Optional<Kit> kit, RosterFields fields, ReadLimits limits) {
        this.source = source;
        this.kit = kit;
        this.fields = fields;
        this.ignored = kit.map(plan -> plan.ignored().stream().map(Glob::new).toList()).orElse(List.of());
        this.companions = kit.map(plan -> plan.companions().stream().map(Kit.Companion::name).collect(Collectors.toSet())).orElse(Set.of());
        this.limits = limits;
    }

    /**
     * Makes the tree of what lies in the root, with what is wrong about names and entries.
     *
     * @throws IOException where the source itself cannot be read any more
     */
    public Built build(SourceListing listing, RootChoice root) throws IOException {
        List<ProjectFile> files = new ArrayList<>();
        List<ProjectPath> folders = new ArrayList<>();
        List<PackageFault> faults = new ArrayList<>();
        TreeSet<String> leftovers = new TreeSet<>();
        List<ProjectPath> aside = new ArrayList<>();
        AsideFolders asideFolders = asideFolders(listing, root);
        for (SourceEntry entry : listing.files()) {
            Optional<String> path = fromRoot(root, entry.path());
            Optional<String> leftover = Leftovers.in(path.orElse(entry.path()));
            if (ProjectPath.of(entry.path()).isBesideRoot() && !isCompanion(entry.path())) {
                faults.add(PackageFault.of(Code.PACKAGE_UNSAFE_ENTRY, entry.path(), PackageWording.LEADS_OUT.say()));
            } else if (leftover.isPresent()) {
                leftovers.add(leftover.get());
            } else if (path.isPresent()) {
                Optional<String> around = asideFolders.around(path.get());
                if (isIgnored(path.get())) {
                    aside.add(ProjectPath.of(path.get()));
                } else if (around.isPresent()) {
                    leftovers.add(around.get());
                    aside.add(ProjectPath.of(path.get()));
                } else {
                    files.add(new ProjectFile(ProjectPath.of(path.get()), entry));
                }
            }
        }
        for (String folder : listing.folders()) {
            Optional<String> path = fromRoot(root, folder).filter(inside -> !inside.isEmpty());
            Optional<String> leftover = path.flatMap(Leftovers::in).or(() -> path.flatMap(asideFolders::of));
            leftover.ifPresentOrElse(leftovers::add, () -> path.ifPresent(inside -> folders.add(ProjectPath.of(inside))));
        }
        for (SourceEntry entry : source.besideRoot(root.prefix(), companions, limits)) {
            files.add(new ProjectFile(ProjectPath.of(entry.path()), entry));
        }
        for (PackageFault fault : listing.faults()) {
            String path = fromRoot(root, fault.path()).orElse(fault.path());
            Optional<String> around = asideFolders.around(path);
            // What must not be unpacked is told wherever it lies.
            if (around.isPresent() && fault.code() != Code.PACKAGE_UNSAFE_ENTRY) {
                leftovers.add(around.get());
                aside.add(ProjectPath.of(path));
            } else {
                faults.add(new PackageFault(fault.code(), path, fault.what()));
            }
        }
        return new Built(new ProjectTree(root.name(), files, folders, aside, listing.seesEmpty()), faults, List.copyOf(leftovers));
    }

    /** What the kit says that nobody looks at. */
    private boolean isIgnored(String path) {
        return !ignored.isEmpty() && ignored.stream().anyMatch(glob -> glob.takes(ProjectPath.of(path)));
    }

    private AsideFolders asideFolders(SourceListing listing, RootChoice root) throws IOException {
        Map<String, SourceEntry> tags = new HashMap<>();
        List<String> manifests = new ArrayList<>();
        for (SourceEntry entry : listing.files()) {
            if (AsideFolders.tells(entry.path())) {
                fromRoot(root, entry.path()).ifPresent(manifests::add);
            } else if (AsideFolders.isTag(entry.path())) {
                fromRoot(root, entry.path()).ifPresent(path -> tags.put(path, entry));
            }
        }
        return new AsideFolders(tags, manifests, source, this::isPlanned);
    }

    /** Whether the plan names a folder, or something in it; a field that takes anything does not mean a hidden folder. */
    private boolean isPlanned(ProjectPath folder) {
        return kit.isPresent() && (kit.get().folders().stream().anyMatch(rule -> names(rule.path(), folder))
                || Stream
                        .of(kit.get().starter().stream().map(Kit.StarterFile::path),
                                kit.get().documents().stream().map(Kit.DocumentRule::in),
                                kit.get().files().stream().map(Kit.FileRule::in))
                        .flatMap(paths -> paths)
                        .anyMatch(path -> path.composed().isWithin(folder.composed())));
    }

    private boolean names(FolderPattern pattern, ProjectPath folder) {
        boolean there = pattern.fits(folder, fields, kit.orElseThrow().ascii())
                || pattern.isReachedThrough(folder, fields, kit.orElseThrow().ascii());
        return there && (!folder.name().startsWith(".") || pattern.names().get(folder.depth() - 1).text().startsWith("."));
    }

    private boolean isCompanion(String path) {
        int slash = path.indexOf('/', 3);
        return slash > 0 && companions.contains(path.substring(3, slash));
    }

    /** The path from the root; for a companion that lies beside it, with {@code ../}; empty for everything else outside. */
    private Optional<String> fromRoot(RootChoice root, String path) {
        String prefix = root.prefix();
        if (prefix.isEmpty() || ProjectPath.of(path).isBesideRoot()) {
            return Optional.of(path);
        }
        if (path.equals(prefix)) {
            return Optional.of("");
        }
        if (path.startsWith(prefix + "/")) {
            return Optional.of(path.substring(prefix.length() + 1));
        }
        String around = prefix.substring(0, prefix.lastIndexOf('/') + 1);
        boolean beside = path.startsWith(around) && isCompanion("../" + path.substring(around.length()));
        return beside ? Optional.of("../" + path.substring(around.length())) : Optional.empty();
    }
}
