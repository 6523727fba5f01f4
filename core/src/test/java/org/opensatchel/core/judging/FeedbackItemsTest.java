package org.opensatchel.core.judging;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.judging.Judgement.Raised;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.words.Words;

/** What goes back to a student says what to fix, in order, and nothing of what was waived. */
class FeedbackItemsTest {

    @TempDir
    private Path temp;

    private ReportDigest checked() throws IOException {
        Path project = Files.createDirectories(temp.resolve("Project/page"));
        Files.writeString(project.resolve("index.html"), "<img src='gone.png'><img src='A.png'>");
        Files.writeString(project.resolve("a.png"), "x");
        Files.writeString(project.resolve("unused.wav"), "x");
        try (ProjectSource source = new FolderSource(temp.resolve("Project"))) {
            return ReportDigest.of(new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source));
        }
    }

    private static FeedbackItems slip(ReportDigest digest, List<Ruling> rulings, List<Raised> raised) {
        return FeedbackItems.of(Judgement.of(digest, rulings, raised, Optional.empty()), Words.ENGLISH);
    }

    @Test
    void saysWhatToFixInOrderWithItsSteps() throws IOException {
        List<FeedbackItems.Item> items = slip(checked(), List.of(), List.of(new Raised(4, "must", "delivery/a.mp4", "The film is black.")))
                .items();
        assertThat(items).extracting(FeedbackItems.Item::severity).containsExactly("must", "must", "should");
        assertThat(items.get(0).text()).isEqualTo("The film is black.\ndelivery/a.mp4");
        assertThat(items.get(1).text()).startsWith("A linked file is missing\n").contains("page/gone.png", "\n– ");
        assertThat(items.get(2).text()).contains("A.png", "page/a.png");
        assertThat(items).noneMatch(item -> item.text().contains("unused.wav"));
    }

    @Test
    void saysNothingOfWhatWasWaived() throws IOException {
        ReportDigest digest = checked();
        FindingLine missing = digest.head().findings().stream().filter(one -> one.code().equals("link.missing")).findFirst().orElseThrow();
        Ruling waived = new Ruling(1, Ruling.Scope.HAND_IN, "link.missing", Set.of(FindingKey.of(missing)), Optional.empty(), "ours");
        assertThat(slip(digest, List.of(waived), List.of()).items()).extracting(FeedbackItems.Item::text).hasSize(1)
                .allSatisfy(text -> assertThat(text).doesNotContain("gone.png"));
    }
}
