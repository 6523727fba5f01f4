package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;

/** A shortcut, alias or symbolic link where a file should be, wherever it leads. */
final class Shortcuts implements Check {

    private static final Advice ADVICE = Advice.of("A shortcut stands for the file", "A shortcut holds the path of a file on your own disk, not the file.",
            "Find the file the shortcut leads to.", "Copy that file into this place, and delete the shortcut.", "Hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.PACKAGE_SHORTCUT, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.standIns().shortcuts().stream().map(path -> Finding.of(Code.PACKAGE_SHORTCUT, ADVICE).path(path).explains(new Cause(Cause.Kind.SHORTCUT, StandIns.standsFor(path)))
                .saying("“" + path.name() + "” is only a shortcut: the file itself is not in the folder.")).toList();
    }

    /** Every shortcut: those the source told of, and those their content gave away. */
    static StandIns among(List<PackageFault> faults, ProjectTree tree, Scan scan) {
        Stream<ProjectPath> links = faults.stream().filter(fault -> fault.code() == Code.PACKAGE_SHORTCUT).map(PackageFault::path).map(ProjectPath::of);
        Stream<ProjectPath> files = scan.facts().entrySet().stream().filter(file -> file.getValue().shortcut()).map(Map.Entry::getKey).sorted();
        return StandIns.of(Stream.concat(links, files).distinct().toList());
    }
}
