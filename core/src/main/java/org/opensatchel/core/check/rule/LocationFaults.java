package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LOCATION;
import static org.opensatchel.base.fact.FactName.ROOT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.location.LocationFault;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.ProjectLocation;

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
                Code.LOCATION_UNDECLARED, Code.LOCATION_DIFFERS, Code.LOCATION_CONTRADICTS);
    }

    @Override
    public List<Finding> judge(LocationEvidence evidence) {
        if (evidence.places().isEmpty()) {
            return evidence.locationPolicy().isPresent() ? List.of(Finding.of(Code.LOCATION_UNDECLARED).make()) : List.of();
        }
        Optional<String> root = evidence.rootNames().expected().or(() -> evidence.rootNames().actual());
        List<Finding> out = new ArrayList<>();
        boolean around = false;
        for (ProjectLocation place : evidence.places()) {
            List<LocationFault> faults = LocationJudge.judge(place, evidence.locationPolicy(), root, evidence.inferred());
            // That a location is the folder around the root is told already.
            around |= faults.stream().anyMatch(fault -> fault.code() == Code.LOCATION_PARENT);
            // A folder around it of the same name harms nobody once the project itself is at hand.
            faults.stream().filter(fault -> !fault.facts().text(HOW).equals(Optional.of("twice")))
                    .map(fault -> Finding.of(fault.code()).facts(fault.facts()).causedBy(cause(evidence, place, fault.code())).make())
                    .filter(finding -> !out.contains(finding)).forEach(out::add);
        }
        boolean told = around || evidence.inferred().filter(inferred -> evidence.places().stream()
                .anyMatch(place -> same(place.path(), inferred))).isPresent();
        evidence.inferred().filter(inferred -> !told).ifPresent(inferred -> out.add(Finding.of(Code.LOCATION_DIFFERS)
                .fact(LOCATION, evidence.places().get(0).path()).fact(ROOT, inferred).make()));
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
