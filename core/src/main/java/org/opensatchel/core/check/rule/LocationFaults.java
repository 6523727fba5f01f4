package org.opensatchel.core.check.rule;

import static org.opensatchel.core.fact.FactName.LOCATION;
import static org.opensatchel.core.fact.FactName.ROOT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.location.LocationFault;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.path.LinkAddress;
import org.opensatchel.core.path.LinkText;
import org.opensatchel.core.path.ProjectPath;

/** The declared location: what its path alone tells, and whether the links agree with it. */
final class LocationFaults implements Rule<LocationEvidence> {

    @Override
    public Class<LocationEvidence> needs() {
        return LocationEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LOCATION_SUBFOLDER, Code.LOCATION_PARENT, Code.LOCATION_ROOT_NAME, Code.LOCATION_AVOIDED_PLACE,
                Code.LOCATION_STORAGE_KIND, Code.LOCATION_TOO_LONG,
                Code.LOCATION_UNDECLARED, Code.LOCATION_DIFFERS);
    }

    @Override
    public List<Finding> judge(LocationEvidence evidence) {
        if (evidence.location().isEmpty()) {
            return evidence.locationPolicy().isPresent() ? List.of(Finding.of(Code.LOCATION_UNDECLARED).make()) : List.of();
        }
        ProjectLocation location = evidence.location().get();
        Optional<String> root = evidence.rootNames().expected().or(() -> evidence.rootNames().actual());
        List<Finding> out = new ArrayList<>();
        List<LocationFault> faults = LocationJudge.judge(location, evidence.locationPolicy(), root, evidence.inferred());
        faults
                .forEach(fault -> out
                        .add(Finding.of(fault.code()).facts(fault.facts()).causedBy(cause(evidence, location, fault.code())).make()));
        // That a location is the folder around the root is told already.
        boolean around = faults.stream().anyMatch(fault -> fault.code() == Code.LOCATION_PARENT);
        evidence.inferred().filter(inferred -> !around && !same(location.path(), inferred))
                .ifPresent(inferred -> out.add(Finding.of(Code.LOCATION_DIFFERS)
                        .fact(LOCATION, location.path()).fact(ROOT, inferred).make()));
        return out;
    }

    /** A location that ends in the wrong name the root really has is wrong for that reason only. */
    private static Optional<Cause> cause(LocationEvidence evidence, ProjectLocation location, Code code) {
        List<String> parts = LocationJudge.parts(location.path());
        boolean asItIs = code == Code.LOCATION_ROOT_NAME && !parts.isEmpty()
                && evidence.rootNames().actual().filter(parts.get(parts.size() - 1)::equals).isPresent();
        return asItIs ? Optional.of(new Cause(Cause.Kind.NAME, ProjectPath.ROOT)) : Optional.empty();
    }

    private static boolean same(String declared, String inferred) {
        Optional<LinkAddress> a = LinkText.readTyped(declared);
        Optional<LinkAddress> b = LinkText.readTyped(inferred);
        return a.isPresent() && b.isPresent()
                && a.get().prefixKey(a.get().names().size()).equals(b.get().prefixKey(b.get().names().size()));
    }
}
