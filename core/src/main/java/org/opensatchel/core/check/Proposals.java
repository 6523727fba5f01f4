package org.opensatchel.core.check;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.ProjectTree;

/** Sees to it that no new name is proposed that something has already, or that two things would get: work would be overwritten. */
final class Proposals {

    private Proposals() {
    }

    /** The findings, without the proposals nobody should follow. What a link was meant to lead to is no new name. */
    static List<Finding> free(List<Finding> findings, ProjectTree tree) {
        Set<ProjectPath> given = new HashSet<>();
        return findings.stream().map(finding -> isName(finding) && !isFree(finding, tree, given) ? finding.withoutProposal() : finding)
                .toList();
    }

    private static boolean isName(Finding finding) {
        return finding.proposal().isPresent() && finding.code().family() != Family.LINK && finding.code() != Code.NAME_ROOT;
    }

    private static boolean isFree(Finding finding, ProjectTree tree, Set<ProjectPath> given) {
        ProjectPath wanted = finding.proposal().orElseThrow().path();
        // Where capitals do not count, another file under nearly this name would be overwritten too.
        boolean taken = tree.exists(wanted) || tree.alike(wanted.text()).stream().anyMatch(other -> !other.equals(finding.path()));
        return !taken && given.add(wanted.composed());
    }
}
