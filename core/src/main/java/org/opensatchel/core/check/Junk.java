package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;

/** What systems and programs left behind. */
final class Junk implements Check {

    private static final Advice ADVICE = Advice.of("Leftovers of a system or program", "Nobody needs them, and they were left out of the check.",
            "Nothing has to be done. Who likes it tidy deletes them before packing.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.PACKAGE_JUNK, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        Stream<Finding> leftovers = evidence.leftovers().stream().map(path -> finding(path, "is a leftover of a system or program"));
        Stream<Finding> devices = evidence.faults().stream().filter(fault -> fault.code() == Code.PACKAGE_JUNK).map(fault -> finding(fault.path(), fault.message()));
        return Stream.concat(leftovers, devices).toList();
    }

    private static Finding finding(String path, String phrase) {
        return Finding.of(Code.PACKAGE_JUNK, ADVICE).path(ProjectPath.of(path)).saying("“" + path + "” " + phrase + ".");
    }
}
