package org.opensatchel.worker;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.compare.LinkDifference;
import org.opensatchel.core.compare.ProjectDifference;
import org.opensatchel.core.compare.ProjectDifference.Kind;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.core.report.Report.LinkLine;

/**
 * What became of a project from one time it was sent to another.
 *
 * @param files those that changed, by what became of them
 * @param unchanged how many files are as they were
 * @param byContent whether contents could be compared; otherwise, sizes were
 * @param links how many links changed
 * @param someLinks some of them
 */
public record Compared(List<Group> files, int unchanged, boolean byContent, long links, List<LinkDifference.Change> someLinks) {

    /** Files of which the same became, and some of them. */
    public record Group(Kind kind, long count, List<One> some) {}

    /**
     * A file.
     *
     * @param before where it was, when it has another name or place now
     */
    public record One(String path, Optional<String> before) {}

    /** Some of the links that changed, those together of which the same became. */
    public List<LinkDifference.Alike> linksAlike() {
        return LinkDifference.alike(someLinks);
    }

    static Compared of(Errand.Compare compare) throws IOException {
        ProjectDifference files = ProjectDifference.between(files(compare.before()), files(compare.now()));
        LinkDifference links = LinkDifference.between(links(compare.before()), links(compare.now()));
        List<Group> groups = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            if (files.count(kind) > 0) {
                groups.add(new Group(kind, files.count(kind), files.changes().stream().filter(change -> change.kind() == kind)
                        .limit(compare.most()).map(change -> new One(change.path().text(), change.before().map(ProjectPath::text)))
                        .toList()));
            }
        }
        return new Compared(groups, files.unchanged(), files.byContent(), links.changes().size(),
                links.changes().stream().limit(compare.most()).toList());
    }

    /** Only lists are read: files are told apart by what their list says. */
    private static Collection<ProjectFile> files(Errand.Side side) throws IOException {
        Optional<Kit> kit = WorkOrder.kitIn(side.kit());
        RosterFields fields = WorkOrder.fields(side.fields());
        try (ProjectSource source = side.project().open()) {
            if (!(source.list(side.project().limits()) instanceof Intake.Opened opened)) {
                return List.of();
            }
            return List.copyOf(new TreeBuilder(source, kit, fields, side.project().limits())
                    .build(opened.listing(), new RootFinder(kit, fields).find(opened.listing())).tree().files());
        }
    }

    private static List<LinkLine> links(Errand.Side side) throws IOException {
        return Packed.report(Path.of(side.report())).links();
    }
}
