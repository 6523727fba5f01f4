package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FAULT;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.PackageWording;

/** Members of a package that cannot be read, or must not be followed. */
final class PackageFaults implements Rule<PackageEvidence> {

    @Override
    public Class<PackageEvidence> needs() {
        return PackageEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_UNREADABLE, Code.PACKAGE_UNSAFE_ENTRY);
    }

    @Override
    public List<Finding> judge(PackageEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PackageFault fault : evidence.faults()) {
            ProjectPath path = ProjectPath.of(fault.path());
            if (fault.code() == Code.PACKAGE_UNSAFE_ENTRY) {
                out.add(Finding.of(fault.code()).path(path).fact(FAULT, fault.what()).make());
            } else if (fault.code() == Code.PACKAGE_UNREADABLE) {
                out.add(Finding.of(fault.code()).path(path).fact(FAULT, fault.what()).make());
            }
        }
        long locked = evidence.damaged().values().stream().filter(PackageFaults::isLocked).count();
        // A password locks an archive as a whole: nobody has to be told of each file.
        boolean whole = locked > 1 && locked == evidence.damaged().size();
        if (whole) {
            Finding.Builder archive = Finding.of(Code.PACKAGE_UNREADABLE).fact(FAULT,
                    PackageWording.ALL_ENCRYPTED.say(Facts.of(COUNT, locked)));
            evidence.damaged().keySet().forEach(path -> archive.explains(new Cause(Cause.Kind.CONTENT, path)));
            out.add(archive.make());
            return out;
        }
        evidence.damaged().forEach((path, phrase) -> out.add(Finding.of(Code.PACKAGE_UNREADABLE).path(path)
                .explains(new Cause(Cause.Kind.CONTENT, path)).fact(FAULT, phrase).make()));
        return out;
    }

    private static boolean isLocked(Phrase fault) {
        return fault.key().equals(PackageWording.ENCRYPTED.key());
    }
}
