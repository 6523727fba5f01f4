package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MACHINES;
import static org.opensatchel.base.fact.FactName.MOST;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.resolve.CarryWording;

/** Folders so deep that what is in them has a longer path than a machine takes; of one inside another only the outer is told. */
final class DeepFolder implements Rule<DepthEvidence> {

    @Override
    public Class<DepthEvidence> needs() {
        return DepthEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_TOO_DEEP);
    }

    @Override
    public List<Finding> judge(DepthEvidence evidence) {
        Map<ProjectPath, List<DepthEvidence.TooLong>> folders = new LinkedHashMap<>();
        Map<ProjectPath, DepthEvidence.TooLong> deep = new TreeMap<>(evidence.tooLong());
        deep.keySet().removeIf(file -> file.isBesideRoot() || evidence.isManaged(file));
        Set<ProjectPath> direct = deep.keySet().stream().map(DeepFolder::holder).collect(Collectors.toSet());
        deep.forEach((file, why) -> folders.computeIfAbsent(outermost(holder(file), direct), key -> new ArrayList<>()).add(why));
        Set<ProjectPath> broken = evidence.refused().entrySet().stream()
                .filter(file -> file.getValue().linked() && file.getValue().isFor(CarryWording.PATH_TOO_LONG))
                .map(file -> outermost(holder(file.getKey()), direct)).collect(Collectors.toSet());
        return folders.entrySet().stream().map(folder -> finding(folder.getKey(), folder.getValue(), broken.contains(folder.getKey())))
                .toList();
    }

    /** A file right in the root has no folder to blame: its own name is too long. */
    private static ProjectPath holder(ProjectPath file) {
        return file.parent().isRoot() ? file : file.parent();
    }

    private static ProjectPath outermost(ProjectPath folder, Set<ProjectPath> direct) {
        ProjectPath outer = folder;
        for (ProjectPath at = folder.parent(); !at.isRoot(); at = at.parent()) {
            outer = direct.contains(at) ? at : outer;
        }
        return outer;
    }

    /** @param broken whether a link breaks for it on a machine that the kit requires */
    private static Finding finding(ProjectPath folder, List<DepthEvidence.TooLong> files, boolean broken) {
        DepthEvidence.TooLong worst = files.stream().max(Comparator.comparingInt(why -> why.length() - why.most())).orElseThrow();
        Finding.Builder finding = Finding.of(Code.STRUCTURE_TOO_DEEP).path(folder).fact(COUNT, files.size()).fact(LEAST, worst.length())
                .fact(MOST, worst.most());
        if (broken) {
            finding.atLeast(Severity.MUST);
        }
        return (worst.machine().isEmpty() ? finding : finding.fact(MACHINES, List.of(worst.machine()))).make();
    }
}
