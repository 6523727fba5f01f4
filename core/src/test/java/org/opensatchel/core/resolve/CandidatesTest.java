package org.opensatchel.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.LinkSink;

/** What a broken link probably meant: which file, why, and how sure. */
class CandidatesTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    private static final ProjectPath DOCUMENT = ProjectPath.of("edit/cut.m3u");

    private static ProjectTree tree(List<String> paths) {
        List<ProjectFile> files = new ArrayList<>();
        paths.forEach(path -> files.add(
                new ProjectFile(ProjectPath.of(path), new SourceEntry(path, 1, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE))));
        files.add(new ProjectFile(DOCUMENT, new SourceEntry(DOCUMENT.text(), 1, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE)));
        return new ProjectTree(Optional.of("Root"), files, List.of());
    }

    private static List<ResolvedLink> resolve(List<String> paths, List<String> links) {
        LinkSink sink = new LinkSink(DOCUMENT, 4_096, Formats.ENDINGS);
        for (int i = 0; i < links.size(); i++) {
            sink.add(new SourcePosition.InText(i + 1, 1), links.get(i), Notation.PLAIN);
        }
        Scan scan = new Scan(Map.of(), List.of(new DocumentLinks(DOCUMENT, "playlist", sink.links(), List.of())), Map.of(), Map.of(),
                List.of(), Set.of());
        return Resolution.of(tree(paths), scan, Optional.empty(), new RootNames(Optional.of("Root"), Optional.empty(), Optional.empty()),
                List.of(), 1_000).links();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "footage/stall_01.mp4 | ../footage/stal_01.mp4 | missing footage/stall_01.mp4 0.78 one letter off",
            "footage/stall_01.mp4 | ../footage/stlal_01.mp4 | missing footage/stall_01.mp4 0.78 one letter off",
            "footage/lantern.mp4 | ../footage/lamtrn.mp4 | missing footage/lantern.mp4 0.64 two letters off",
            "other/lantern.mp4 | ../footage/lamtern.mp4 | missing other/lantern.mp4 0.72 one letter off",
            "footage/stall_01.mp4 | ../footage/stall_02.mp4 | missing",
            "footage/cut_v02.mp4 | ../footage/cut_v01.mp4 | missing footage/cut_v02.mp4 0.55 another version of it",
            "other/cut_v02.mp4 | ../footage/cut_v01.mp4 | missing",
            "footage/lamp.wav | ../footage/lamp.mp4 | missing footage/lamp.wav 0.56 same name with another ending",
            "footage/tea-pot.mp4 | ../footage/tea pot.mp4 | missing footage/tea-pot.mp4 0.8 same name but for spaces, hyphens or accents",
            "footage/etude.mp4 | ../footage/étude.mp4 | missing footage/etude.mp4 0.8 same name but for spaces, hyphens or accents",
            "sound/lamp.mp4 | ../footage/lamp.mp4 | moved sound/lamp.mp4 0.85 same name elsewhere",
            "sound/Lamp.mp4 | ../footage/lamp.mp4 | moved sound/Lamp.mp4 0.75 same name but for capitals",
            "b/takes/lamp.mp4;c/old/lamp.mp4 | ../a/takes/lamp.mp4 | moved b/takes/lamp.mp4 0.89 same name under the same folder",
            "footage/a.mp4 | ../footage/b.mp4 | missing",
            "footage/--.mp4 | ../footage/__.mp4 | missing",
            "footage/cat.mp4 | ../footage/cut.mp4 | missing footage/cat.mp4 0.78 one letter off",
            "footage/lamp.mp4;footage/lump.mp4 | ../footage/lomp.mp4 | missing footage/lamp.mp4 0.45 one letter off"})
    void isFoundWithItsReason(String files, String link, String expected) {
        ResolvedLink resolved = resolve(Arrays.asList(files.split(";")), List.of(link)).get(0);
        String best = resolved.candidates().stream().findFirst().map(candidate -> " " + candidate.path() + " "
                + Math.round(candidate.sure() * 100) / 100.0 + " " + Words.ENGLISH.text(candidate.reason().say())).orElse("");
        assertThat(resolved.outcome().word() + best).isEqualTo(expected);
    }

    @Test
    void ofSeveralThatAreAsGoodNoneIsProposed() {
        ResolvedLink resolved = resolve(List.of("a/lamp.mp4", "b/lamp.mp4"), List.of("../footage/lamp.mp4")).get(0);
        assertThat(resolved.candidates()).hasSize(2).allSatisfy(candidate -> assertThat(candidate.sure()).isLessThan(0.5));
        assertThat(resolved.proposal()).isEmpty();
        assertThat(resolved.target()).isEmpty();
    }

    @Test
    void aDocumentIsNoCandidateForWhatItLinks() {
        assertThat(resolve(List.of("footage/x.mp4"), List.of("cat.m3u")).get(0).candidates()).isEmpty();
    }

    @Test
    void ofANameThatVeryManyFilesHaveTheOneUnderTheRightFolderIsMeant() {
        List<String> files = new ArrayList<>(IntStream.range(0, 1_000).mapToObj(i -> "takes/t" + i + "/clip.mp4").toList());
        List<ResolvedLink> links = resolve(files, List.of("../old/t777/clip.mp4", "../old/nowhere/clip.mp4"));
        assertThat(links.get(0).target()).contains(ProjectPath.of("takes/t777/clip.mp4"));
        assertThat(links.get(1).outcome()).isEqualTo(Outcome.MOVED);
        assertThat(links.get(1).proposal()).isEmpty();
    }

    /** Where everything is broken, what is spent on candidates is bounded, and every link still has its outcome. */
    @Test
    void inAProjectWhereEverythingIsBrokenEveryLinkHasItsOutcome() {
        List<String> files = IntStream.range(0, 3_000).mapToObj(i -> "footage/take_" + i + ".mp4").toList();
        List<String> links = IntStream.range(0, 20_000).mapToObj(i -> "../footage/teak_" + i + ".mp4").toList();
        List<ResolvedLink> resolved = resolve(files, links);
        assertThat(resolved).hasSize(20_000).allSatisfy(link -> assertThat(link.outcome()).isEqualTo(Outcome.MISSING));
        assertThat(resolved.get(0).candidates()).isNotEmpty();
    }
}
