package org.opensatchel.core.project;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.finding.Code;

/** Keeps what lies too deep out of a listing: the topmost folder that does is told, and nothing below it is looked at. */
final class DepthGuard {

    private final ReadLimits limits;
    private final List<PackageFault> faults;
    private final Set<String> told = new HashSet<>();

    DepthGuard(ReadLimits limits, List<PackageFault> faults) {
        this.limits = limits;
        this.faults = faults;
    }

    /** Whether an entry may stay; else the folder in which it lies is told, once. */
    boolean admits(String path, boolean folder) {
        Optional<String> over = path.length() <= limits.depth() ? Optional.empty() : tooDeep(path, folder);
        over.filter(told::add).ifPresent(top -> faults.add(PackageFault.of(Code.PACKAGE_UNREADABLE, top, Intake.tooDeep(limits))));
        return over.isEmpty();
    }

    /** The topmost folder over the limit on the way to a path. */
    private Optional<String> tooDeep(String path, boolean folder) {
        int folders = 0;
        for (int slash = path.indexOf('/'); slash >= 0; slash = path.indexOf('/', slash + 1)) {
            if (++folders > limits.depth()) {
                return Optional.of(path.substring(0, slash));
            }
        }
        return folder && folders + 1 > limits.depth() ? Optional.of(path) : Optional.empty();
    }
}
