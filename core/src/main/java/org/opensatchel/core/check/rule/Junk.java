package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FAULT;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** What systems and programs left behind. */
final class Junk implements Rule<PackageEvidence> {

    @Override
    public Class<PackageEvidence> needs() {
        return PackageEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_JUNK);
    }

    @Override
    public List<Finding> judge(PackageEvidence evidence) {
        Stream<Finding> leftovers = evidence.leftovers().stream().map(path -> finding(path, Optional.empty()));
        Stream<Finding> devices = evidence.faults().stream().filter(fault -> fault.code() == Code.PACKAGE_JUNK)
                .map(fault -> finding(fault.path(), fault.what()));
        return Stream.concat(leftovers, devices).toList();
    }

    private static Finding finding(String path, Optional<Phrase> fault) {
        return Finding.of(Code.PACKAGE_JUNK).path(ProjectPath.of(path)).fact(FAULT, fault).make();
    }
}
