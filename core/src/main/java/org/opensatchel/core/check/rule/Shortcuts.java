package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;

/** A shortcut, alias or symbolic link where a file should be, wherever it leads. */
public final class Shortcuts implements Rule<PackageEvidence> {

    @Override
    public Class<PackageEvidence> needs() {
        return PackageEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_SHORTCUT);
    }

    @Override
    public List<Finding> judge(PackageEvidence evidence) {
        return evidence.standIns().shortcuts().stream().map(path -> Finding.of(Code.PACKAGE_SHORTCUT).path(path)
                .explains(new Cause(Cause.Kind.SHORTCUT, StandIns.standsFor(path))).make()).toList();
    }

    /** Every shortcut: those the source told of, and those their content gave away. */
    public static StandIns among(List<PackageFault> faults, ProjectTree tree, Scan scan) {
        Stream<ProjectPath> links = faults.stream().filter(fault -> fault.code() == Code.PACKAGE_SHORTCUT).map(PackageFault::path)
                .map(ProjectPath::of);
        Stream<ProjectPath> files = scan.facts().entrySet().stream().filter(file -> file.getValue().shortcut()).map(Map.Entry::getKey)
                .sorted();
        List<ProjectPath> hidden = tree.ownFiles().stream().map(ProjectFile::path).filter(ProjectPath::isHidden)
                .filter(path -> StandIns.hides(path).filter(wanted -> !tree.exists(wanted)).isPresent()).toList();
        return StandIns.of(Stream.concat(links, files).distinct().toList(), hidden);
    }
}
