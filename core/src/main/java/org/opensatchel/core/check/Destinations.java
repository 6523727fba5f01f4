package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.rule.DepthEvidence.TooLong;
import org.opensatchel.core.check.rule.RefusedFile;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.resolve.Carried;
import org.opensatchel.core.resolve.CarryCheck;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.Resolution;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.formats.link.Link;

/** The project as it would be on other machines: those it is shown for, those that the kit requires, and where it is said to lie. */
final class Destinations {

    private static final Machine WINDOWS = Machine.shipped("lab-windows").orElseThrow();

    private final List<Carried> shown;
    /** Titles of the required machines on which a link breaks that leads to its file here. */
    private final Map<ResolvedLink, List<String>> breaks = new IdentityHashMap<>();
    private final Map<ProjectPath, TooLong> tooLong = new HashMap<>();
    private final Map<ProjectPath, Refusal> refused = new TreeMap<>();
    private final Map<ProjectPath, List<ResolvedLink>> cut = new HashMap<>();

    /** A file that machines of the kit cannot hold: why the first of them cannot, and the titles of all. */
    private record Refusal(Phrase why, List<String> machines) {}

    Destinations(ProjectTree tree, String rootName, Resolution resolution, CheckRequest request) {
        this.shown = request.destinations().stream().map(machine -> CarryCheck.of(tree, rootName, resolution.links(), machine)).toList();
        for (String name : request.kit().map(Kit::machines).orElse(List.of())) {
            Optional<Carried> carried = shown.stream().filter(there -> there.machine().name().equals(name)).findFirst()
                    .or(() -> Machine.shipped(name).map(machine -> CarryCheck.of(tree, rootName, resolution.links(), machine)));
            carried.ifPresent(this::hear);
        }
        request.location().map(ProjectLocation::path).map(String::strip)
                .filter(path -> LinkText.readTyped(path).filter(address -> address.form() == LinkForm.DRIVE).isPresent())
                .ifPresent(path -> measure(tree, path.length()));
    }

    private void hear(Carried there) {
        String machine = there.machine().title();
        for (Carried.Broken broken : there.broken()) {
            Outcome outcome = broken.link().outcome();
            // What is broken everywhere weighs as much already; of the web and of what nobody can look up it is not known that it breaks.
            boolean whole = outcome == Outcome.PINNED && broken.link().link().standing() == Link.Standing.WHOLE;
            if (outcome == Outcome.OK || outcome == Outcome.MISSPELT || whole) {
                breaks.computeIfAbsent(broken.link(), link -> new ArrayList<>(2)).add(machine);
                broken.link().target().ifPresent(target -> cut.computeIfAbsent(target, file -> new ArrayList<>(1)).add(broken.link()));
            }
        }
        for (Carried.Refused file : there.refused()) {
            refused.computeIfAbsent(file.path(), path -> new Refusal(file.why(), new ArrayList<>(2))).machines.add(machine);
            file.pathLength().ifPresent(length -> note(file.path(), new TooLong(machine, length, there.machine().maxPath())));
        }
    }

    /** The student's own disk, where that is one of the system with the shortest paths. */
    private void measure(ProjectTree tree, int root) {
        for (ProjectFile file : tree.ownFiles()) {
            int length = root + 1 + file.path().text().length();
            if (length > WINDOWS.maxPath()) {
                note(file.path(), new TooLong("", length, WINDOWS.maxPath()));
            }
        }
    }

    private void note(ProjectPath path, TooLong why) {
        tooLong.merge(path, why, (a, b) -> b.length() - b.most() > a.length() - a.most() ? b : a);
    }

    /** The machines the report shows, in order. */
    List<Carried> shown() {
        return shown;
    }

    List<String> breaks(ResolvedLink link) {
        return breaks.getOrDefault(link, List.of());
    }

    /**
     * The files that machines of the kit cannot hold.
     *
     * @param counts which links count for whether a file is needed there
     */
    Map<ProjectPath, RefusedFile> refused(Predicate<ResolvedLink> counts) {
        Map<ProjectPath, RefusedFile> out = new TreeMap<>();
        refused.forEach((path, refusal) -> out.put(path,
                new RefusedFile(refusal.why, refusal.machines, cut.getOrDefault(path, List.of()).stream().anyMatch(counts))));
        return out;
    }

    Map<ProjectPath, TooLong> tooLong() {
        return tooLong;
    }
}
