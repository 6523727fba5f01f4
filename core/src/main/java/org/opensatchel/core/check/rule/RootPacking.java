package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.util.List;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.RootChoice.PackingFault;

/** A package whose root is wrapped in another folder, stands among others, or is missing. */
final class RootPacking implements Rule<PackageEvidence> {

    @Override
    public Class<PackageEvidence> needs() {
        return PackageEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_NESTED_ROOT, Code.PACKAGE_SEVERAL_ROOTS, Code.PACKAGE_NO_ROOT);
    }

    @Override
    public List<Finding> judge(PackageEvidence evidence) {
        return evidence.root().fault().map(fault -> List.of(finding(evidence, fault))).orElse(List.of());
    }

    private Finding finding(PackageEvidence evidence, PackingFault fault) {
        return Finding.of(fault.code()).path(ProjectPath.of(fault.path()))
                .explains(new Cause(Cause.Kind.ROOT, ProjectPath.ROOT)).facts(facts(evidence, fault)).make();
    }

    private static Facts facts(PackageEvidence evidence, PackingFault fault) {
        return switch (fault.code()) {
            case PACKAGE_NESTED_ROOT -> fault.path().isEmpty()
                    ? Facts.of(HOW, "folder").and(FOUND, evidence.root().name()).and(PLACE, String.join("/", fault.others()))
                    : Facts.of(HOW, "archive");
            case PACKAGE_SEVERAL_ROOTS -> Facts.of(FOUND, evidence.root().name()).and(OTHERS, fault.others());
            default -> Facts.of(OTHERS, fault.others());
        };
    }
}
