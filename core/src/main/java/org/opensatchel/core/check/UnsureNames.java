package org.opensatchel.core.check;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.project.NameChoice;

/** Tells once that the names of an archive may be misread, and puts everything that may follow from that alone under it. */
final class UnsureNames {

    private static final Cause CAUSE = new Cause(Cause.Kind.NAMES, ProjectPath.ROOT);

    private UnsureNames() {
    }

    static List<Finding> told(List<Finding> raw, NameChoice names) {
        List<Finding> out = new ArrayList<>(raw.size() + 1);
        for (Finding finding : raw) {
            boolean follows = finding.code().family() != Family.LOCATION
                    && (names.isUnsure(finding.path().text()) || finding.facts().mentions(names::isUnsure));
            out.add(follows ? finding.follows(CAUSE, Severity.SHOULD) : finding);
        }
        List<ProjectPath> unsure = names.undecided().stream().map(ProjectPath::of).toList();
        out.add(Finding.of(Code.PACKAGE_NAMES_UNSURE).path(unsure.get(0)).explains(CAUSE).fact(COUNT, unsure.size()).fact(OTHERS, unsure)
                .make());
        return out;
    }
}
