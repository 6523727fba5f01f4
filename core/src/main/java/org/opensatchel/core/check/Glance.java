package org.opensatchel.core.check;

import java.io.IOException;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.project.NamesSource;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * What the names in a package and its marker tell before anything of it is sent: whether it is one project, of this assignment, and
 * whose. Everything else needs the contents.
 */
public final class Glance {

    /** So many names are looked at. */
    public static final int MOST_NAMES = 2_000;

    private static final Set<String> TELLS = EnumSet.of(Code.PACKAGE_NESTED_ROOT, Code.PACKAGE_SEVERAL_ROOTS, Code.PACKAGE_NO_ROOT,
            Code.PACKAGE_UNREADABLE, Code.STRUCTURE_OTHER_KIT, Code.STRUCTURE_KIT_OUTDATED, Code.NAME_SOMEONE_ELSE, Code.NAME_ROOT).stream()
            .map(Code::id).collect(Collectors.toUnmodifiableSet());

    private Glance() {
    }

    /**
     * @param names the first paths in the package, as it writes them
     * @param marker the content of its marker, if there is one
     */
    public static List<FindingLine> at(List<String> names, Optional<byte[]> marker, CheckRequest request) throws IOException {
        return new ProjectCheck(request).run(new NamesSource(names.stream().limit(MOST_NAMES).toList(), Marker.FILE, marker)).findings()
                .stream().filter(finding -> TELLS.contains(finding.code()))
                .toList();
    }
}
