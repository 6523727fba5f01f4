package org.opensatchel.core.project;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.path.ProjectPath;

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
    private final Set<String> companions;
    private final ReadLimits limits;

    public TreeBuilder(ProjectSource source, Optional<Kit> kit, ReadLimits limits) {
        this.source = source;
        this.companions = kit.map(plan -> plan.companions().stream().map(Kit.Companion::name).collect(Collectors.toSet())).orElse(Set.of());
        this.limits = limits;
    }

    public Built build(SourceListing listing, RootChoice root) throws IOException {
        List<ProjectFile> files = new ArrayList<>();
        List<ProjectPath> folders = new ArrayList<>();
        List<PackageFault> faults = new ArrayList<>();
        TreeSet<String> leftovers = new TreeSet<>();
        for (SourceEntry entry : listing.files()) {
            Optional<String> path = fromRoot(root, entry.path());
            Optional<String> leftover = Leftovers.in(path.orElse(entry.path()));
            if (ProjectPath.of(entry.path()).isBesideRoot() && !isCompanion(entry.path())) {
                faults.add(PackageFault.of(Code.PACKAGE_UNSAFE_ENTRY, entry.path(), PackageWording.LEADS_OUT.say()));
            } else if (leftover.isPresent()) {
                leftovers.add(leftover.get());
            } else {
                path.ifPresent(inside -> files.add(new ProjectFile(ProjectPath.of(inside), entry)));
            }
        }
        for (String folder : listing.folders()) {
            Optional<String> path = fromRoot(root, folder).filter(inside -> !inside.isEmpty());
            path.flatMap(Leftovers::in).ifPresentOrElse(leftovers::add,
                    () -> path.ifPresent(inside -> folders.add(ProjectPath.of(inside))));
        }
        for (SourceEntry entry : source.besideRoot(root.prefix(), companions, limits)) {
            files.add(new ProjectFile(ProjectPath.of(entry.path()), entry));
        }
        listing.faults().forEach(
                fault -> faults.add(new PackageFault(fault.code(), fromRoot(root, fault.path()).orElse(fault.path()), fault.what())));
        return new Built(new ProjectTree(root.name(), files, folders), faults, List.copyOf(leftovers));
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
