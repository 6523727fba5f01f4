package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.PackageFault;

/** Members of a package that cannot be read, or must not be followed. */
final class PackageFaults implements Check {

    private static final Advice UNREADABLE = Advice.of("A file cannot be read", "What cannot be read here cannot be opened by anyone else either.",
            "Open the original on your own disk to see that it is whole.", "Pack the project again, without a password, and hand it in again.");
    private static final Advice UNSAFE = Advice.of("An entry is unsafe", "Unpackers disagree about such an entry, and it can land outside the project.",
            "Pack the project folder again with the packer of your system.", "Do not add entries by hand.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.PACKAGE_UNREADABLE, UNREADABLE, Code.PACKAGE_UNSAFE_ENTRY, UNSAFE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (PackageFault fault : evidence.faults()) {
            ProjectPath path = ProjectPath.of(fault.path());
            if (fault.code() == Code.PACKAGE_UNSAFE_ENTRY) {
                out.add(Finding.of(fault.code(), UNSAFE).path(path).saying("“" + fault.path() + "” was left out: " + fault.message() + "."));
            } else if (fault.code() == Code.PACKAGE_UNREADABLE) {
                out.add(Finding.of(fault.code(), UNREADABLE).path(path).saying("“" + fault.path() + "” " + fault.message() + "."));
            }
        }
        evidence.scan().damaged().forEach((path, phrase) -> out.add(Finding.of(Code.PACKAGE_UNREADABLE, UNREADABLE).path(path)
                .explains(new Cause(Cause.Kind.CONTENT, path)).saying("“" + path + "” " + phrase + ".")));
        return out;
    }
}
