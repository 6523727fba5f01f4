package org.opensatchel.core.match;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.link.Link;

/** Which folder a planned one became, told by what it left behind: what links look for in it, and the starter files it came with. */
class FolderTracesTest {

    private static final EntryHandle NOWHERE = new EntryHandle() {};

    private static List<ProjectPath> paths(String all) {
        return Arrays.stream(all == null ? new String[0] : all.split(";")).filter(path -> !path.isEmpty()).map(ProjectPath::of).toList();
    }

    /** A file whose content is known by its last name. */
    private static ProjectFile file(ProjectPath path) {
        return new ProjectFile(path, new SourceEntry(path.text(), 5, Optional.empty(), Optional.of(path.name()), false, 0, NOWHERE));
    }

    private static ResolvedLink asks(ProjectPath path) {
        Link link = new Link(ProjectPath.of("edit/a.otio"), ProjectPath.of("edit/a.otio"), SourcePosition.WHOLE, path.text(), path.text(),
                Notation.PLAIN, "", Optional.empty(), Link.Standing.STATED, "", false, List.of(), List.of(), Optional.empty());
        return new ResolvedLink(link, LinkForm.RELATIVE, Outcome.MISSING, Optional.empty(), Optional.of(path), List.<Candidate>of(),
                Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            // planned | asked for | starters | found | becomes
            "footage | footage/a;footage/b | '' | collected/a;collected/b | collected",
            "footage | footage/a;footage/b;footage/c | '' | collected/a;collected/b | collected",
            "footage | footage/a;footage/b | '' | collected/a | -",
            "footage | footage/a;footage/b | '' | one/a;two/b | -",
            "footage | footage/a | '' | collected/a | collected",
            "footage | footage/day1/a;footage/day2/b | '' | collected/day1/a;collected/day2/b | collected",
            "footage | footage/a;footage/b | '' | all/collected/a;all/collected/b | all/collected",
            "footage | footage/a;footage/b | '' | collected/x/a;collected/y/b | collected",
            "footage | footage/a;footage/b | '' | one/a;one/b;two/a;two/b | -",
            "footage | footage/A;footage/B | '' | collected/a;collected/b | collected",
            "footage | '' | footage/a;footage/b | kept/a;kept/b | kept",
            "footage | '' | footage/a;footage/b | kept/a | -",
            "footage | footage/a | footage/b;footage/c | linked/a;kept/b;kept/c | linked",
            "work/footage | work/footage/a | '' | work/collected/a;elsewhere/a | work/collected",
            "footage | '' | '' | collected/a | -"})
    void becomes(String planned, String asked, String starters, String found, String expected) {
        List<ProjectFile> files = paths(found).stream().map(FolderTracesTest::file).toList();
        Set<ProjectPath> folders = files.stream().flatMap(file -> IntStream.range(1, file.path().names().size())
                .mapToObj(depth -> ProjectPath.of(file.path().names().subList(0, depth)))).collect(Collectors.toSet());
        ProjectTree tree = new ProjectTree(Optional.of("x"), files, folders);
        List<StarterFile> kept = paths(starters).stream().map(path -> new StarterFile(path, path.name(), 5, StarterFile.Treat.KEEP))
                .toList();
        FolderTraces left = new FolderTraces(tree, new Scan(Map.of(), List.of(), Map.of(), Map.of(), List.of(), Set.of()),
                paths(asked).stream().map(FolderTracesTest::asks).toList(), kept, Set.of(ProjectPath.of(planned)));
        assertThat(left.of(ProjectPath.of(planned), folder -> !folder.equals(ProjectPath.of("work"))).map(ProjectPath::text).orElse("-"))
                .isEqualTo(expected);
    }
}
