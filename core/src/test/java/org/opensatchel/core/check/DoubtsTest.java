package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.Doubt;
import org.opensatchel.core.report.Report.Doubts;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Summary;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.words.Words;

/** Ready keeps its word: a document that nobody described, with what looks like broken links in it, raises doubts. */
class DoubtsTest {

    @TempDir
    private Path temp;

    private Report check(SampleProject project) throws IOException {
        try (ZipSource zip = ZipSource.open(project.zip(temp, SampleProject.ROOT + "/"))) {
            return new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(zip);
        }
    }

    @Test
    void whatLooksBrokenIsDoubtfulAndReadyStays() throws IOException {
        Report report = check(SampleProject.clean().put("edit/cut.xyz",
                "clip zero = \"../sound/market-bell.wav\"\nclip one = \"../footage/gone.mp4\"\nclip two = \"../footage/lost.mp4\"\nclip three = \"F:/elsewhere/far.mp4\"\n"));
        assertThat(report.verdict()).isEqualTo(Verdict.READY);
        assertThat(report.doubts()).contains(Doubts.of(List.of(new Doubt("edit/cut.xyz", 3))));
        assertThat(Words.ENGLISH.text(report.doubted().get(0).say()))
                .isEqualTo("3 links in “edit/cut.xyz” may be broken: this format is not described yet.");
        assertThat(Summary.of(report).doubts()).isEqualTo(3);
        assertThat(Summary.of(report).verdict()).isEqualTo(Verdict.READY);
        assertThat(ReportDigest.of(report).head().doubtful()).isEqualTo(3);
    }

    @Test
    void bothFormsOfOneLinkAreOne() throws IOException {
        Report report = check(SampleProject.clean().put("edit/cut.xyz", "a=\"../sound/market-bell.wav\" b=\"F:/m/" + SampleProject.ROOT
                + "/sound/market-bell.wav\"\na=\"../gone/market-bell.wav\" b=\"F:/m/" + SampleProject.ROOT
                + "/sound/market-bell.wav\"\na=\"../footage/lost.mp4\" b=\"F:/m/" + SampleProject.ROOT + "/footage/lost.mp4\"\n"));
        assertThat(report.links()).filteredOn(link -> link.document().equals("edit/cut.xyz"))
                .extracting(link -> link.text() + " " + link.outcome() + " " + link.alternatives().map(List::size).orElse(0))
                .containsExactly("../sound/market-bell.wav ok 1", "../gone/market-bell.wav pinned 1", "../footage/lost.mp4 missing 1");
        assertThat(report.project().guessed()).contains(3);
    }

    @Test
    void whatIsSoundStatedOrMeantForPeopleRaisesNone() throws IOException {
        assertThat(check(SampleProject.clean()).doubts()).isEmpty();
        assertThat(check(SampleProject.clean().put("edit/cut.xyz", "clip = \"../sound/market-bell.wav\"\n")).doubts()).isEmpty();
        // Where nothing at all is found, what is not found may be a name and no more.
        assertThat(check(SampleProject.clean().put("edit/cut.xyz", "clip = \"../footage/gone.mp4\"\n")).doubts()).isEmpty();
        assertThat(check(SampleProject.clean().put("notes.txt", "See gone.mp4, or ../footage/gone.mp4 if you like.\n")).doubts()).isEmpty();
        // A format that is known says so for certain: that is to be fixed, and no doubt.
        Report stated = check(SampleProject.clean().timeline("edit/Marsh_A2_v09.otio", "../footage/gone.mp4"));
        assertThat(stated.verdict()).isEqualTo(Verdict.FIX);
        assertThat(stated.doubts()).isEmpty();
    }
}
