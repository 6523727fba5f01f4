package org.opensatchel.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.report.Report.LinkLine;

/** What became of files and links from one hand-in to the next. */
class ProjectDifferenceTest {

    private enum Handle implements EntryHandle { NONE }

    /** Files as "path=content", told by hash, by checksum, or by their size alone. */
    private static List<ProjectFile> files(String how, String files) {
        return Arrays.stream(files.split(" ")).filter(text -> !text.isEmpty()).map(text -> {
            String path = text.substring(0, text.indexOf('='));
            String content = text.substring(text.indexOf('=') + 1);
            Optional<String> hash = how.equals("hash") ? Optional.of(Sha256.of(content.getBytes())) : Optional.empty();
            long checksum = how.equals("checksum") ? content.hashCode() : 0;
            return new ProjectFile(ProjectPath.of(path),
                    new SourceEntry(path, content.length(), Optional.empty(), hash, false, checksum, Handle.NONE));
        }).toList();
    }

    private static String said(ProjectDifference difference) {
        return String.join(" ", difference.changes().stream().map(change -> change.kind().name().toLowerCase() + ":"
                + change.before().map(path -> path.text() + ">").orElse("") + change.path().text()).toList());
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {
            "a=one b=two, a=one b=two, ''",
            "a=one, a=one b=two, added:b",
            "a=one b=two, a=one, removed:b",
            "a=one, a=uno, changed:a",
            "a=one, a=other, changed:a",
            "old.wav=bell, new.wav=bell, renamed:old.wav>new.wav",
            "a/bell.wav=bell, b/bell.wav=bell, moved:a/bell.wav>b/bell.wav",
            "a/bell.wav=bell, b/other.wav=bell, moved:a/bell.wav>b/other.wav",
            // Of two with one content each keeps its name, and what is left keeps its folder.
            "x/a=same x/b=same, y/b=same x/c=same, renamed:x/a>x/c moved:x/b>y/b",
            "a=one, a=one b=one, added:b",
            "a=one b=one, b=one, removed:a",
            // A file that holds nothing is like every other.
            "a=, b=, added:b removed:a",
    })
    void filesAreFollowedByTheirContent(String before, String now, String expected) {
        for (String how : List.of("hash", "checksum")) {
            ProjectDifference difference = ProjectDifference.between(files(how, before), files(how, now));
            assertThat(Arrays.asList(said(difference).split(" "))).as(how).containsExactlyInAnyOrder(expected.split(" "));
            assertThat(difference.byContent()).isTrue();
        }
    }

    @Test
    void whereContentsAreNotKnownSizesAreComparedAndNothingIsGuessed() {
        ProjectDifference difference = ProjectDifference.between(files("hash", "a=one b=four c=gone"),
                files("checksum", "a=uno b=three d=gone"));
        assertThat(difference.byContent()).isFalse();
        assertThat(said(difference).split(" ")).containsExactlyInAnyOrder("changed:b", "removed:c", "added:d");
        assertThat(difference.unchanged()).isEqualTo(1);
    }

    @Test
    void linksAreKnownByTheirDocumentAndText() {
        LinkDifference difference = LinkDifference.between(List.of(link("a", "x", "ok"), link("a", "y", "missing"), link("b", "x", "ok")),
                List.of(link("a", "x", "ok"), link("a", "y", "ok"), link("c", "x", "missing"), link("c", "x", "missing")));
        assertThat(difference.changes()).containsExactly(
                new LinkDifference.Change("a", "y", Optional.of("missing"), Optional.of("ok")),
                new LinkDifference.Change("c", "x", Optional.empty(), Optional.of("missing")),
                new LinkDifference.Change("b", "x", Optional.of("ok"), Optional.empty()));
    }

    private static LinkLine link(String document, String text, String outcome) {
        return new LinkLine(document, "", text, "relative", outcome, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty());
    }
}
