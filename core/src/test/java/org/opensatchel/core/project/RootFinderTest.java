package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.core.naming.RosterFields;

/** Which folder of an archive is the root, in whatever order its entries come. */
class RootFinderTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    private static RootChoice find(List<String> paths) {
        List<SourceEntry> files = paths.stream()
                .map(path -> new SourceEntry(path, 1, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE)).toList();
        return new RootFinder(Optional.empty(), RosterFields.NONE)
                .find(new SourceListing(false, Optional.empty(), files, List.of(), List.of()));
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {
            "Proj/a.png;loose.txt;Proj/satchel.kit.json,Proj,package.several-roots", "Proj/a.png;Proj/satchel.kit.json,Proj,-",
            "a.png;b/c.png,'',package.no-root", "P/a.zip,P,package.nested-root",
            "wrap/Proj/satchel.kit.json;wrap/Proj/edit/a.otio,wrap/Proj,package.nested-root",
            "one/a.png;two/b.png;two/satchel.kit.json;one/c.png,two,package.several-roots",
            "P/1/2/3/4/5/6/7/deep.png;P/a.png;P/1/2/3/4/5/6/7/other.png;P/b.png,P,-", "project.zip,'',package.nested-root",
            "P/a.png;.DS_Store;__MACOSX/P/._a.png,P,-"})
    void theOrderOfTheEntriesChangesNothing(String paths, String root, String trouble) {
        List<String> order = new ArrayList<>(Arrays.asList(paths.split(";")));
        for (int seed = 0; seed < 12; seed++) {
            RootChoice choice = find(order);
            assertThat(choice.prefix()).as("%s", order).isEqualTo(root);
            assertThat(choice.fault().map(told -> told.code().id()).orElse(null)).as("%s", order).isEqualTo(trouble);
            Collections.shuffle(order, new Random(seed));
        }
    }
}
