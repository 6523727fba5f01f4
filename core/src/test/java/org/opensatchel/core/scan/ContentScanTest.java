package org.opensatchel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.EntryHandle;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.PackageWording;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.described.Profiles;

/** One pass over all contents: each is opened once, and told is only what there is to tell. */
class ContentScanTest {

    private static final EntryHandle NO_HANDLE = new EntryHandle() {};

    /** Files in memory that count how often each was opened. */
    private static final class Memory implements ProjectSource {
        private final Map<String, byte[]> contents = new TreeMap<>();
        private final Map<String, Integer> opened = new ConcurrentHashMap<>();
        private final Set<String> damaged = ConcurrentHashMap.newKeySet();
        private final Set<String> listedOnly = ConcurrentHashMap.newKeySet();

        Memory put(String path, String content) {
            contents.put(path, content.getBytes(StandardCharsets.ISO_8859_1));
            return this;
        }

        ProjectTree tree() {
            return new ProjectTree(Optional.of("Root"), contents.entrySet().stream().map(file -> new ProjectFile(
                    ProjectPath.of(file.getKey()),
                    new SourceEntry(file.getKey(), file.getValue().length, Optional.empty(), Optional.empty(), false, 0, NO_HANDLE)))
                    .toList(), List.of());
        }

        @Override
        public Intake list(ReadLimits limits) {
            throw new UnsupportedOperationException("the tree is made by the test");
        }

        @Override
        public boolean hasContent(SourceEntry entry) {
            return !listedOnly.contains(entry.path());
        }

        @Override
        public InputStream open(SourceEntry entry) throws ContentUnavailable {
            opened.merge(entry.path(), 1, Integer::sum);
            if (damaged.contains(entry.path())) {
                throw new ContentUnavailable(PackageWording.DAMAGED.say());
            }
            return new ByteArrayInputStream(contents.get(entry.path()));
        }

        @Override
        public void close() {
            // Nothing is open.
        }
    }

    private static Scan scan(Memory source) throws Exception {
        return new ContentScan(source, ReadLimits.DEFAULT, path -> !path.text().startsWith("kept/"), Set.of(), Long.MAX_VALUE,
                (files, bytes) -> {}, CustomLinks.NONE, Profiles.NONE, Listening.NONE).scan(source.tree());
    }

    private static ProjectPath path(String text) {
        return ProjectPath.of(text);
    }

    @Test
    void everyFileIsOpenedOnceHoweverManyThreadsThereAre() throws Exception {
        Memory source = new Memory();
        IntStream.range(0, 500).forEach(i -> source.put("d" + i % 7 + "/f" + i + ".css", "a { background: url(x" + i + ".png) }"));
        Scan scan = scan(source);
        assertThat(source.opened).hasSize(500).allSatisfy((path, times) -> assertThat(times).isEqualTo(1));
        assertThat(scan.documents()).hasSize(500).isSortedAccordingTo((a, b) -> a.document().compareTo(b.document()))
                .allSatisfy(document -> assertThat(document.links()).hasSize(1));
    }

    @Test
    void onlyFilesThatCouldBeTheSameAreHashed() throws Exception {
        Memory source = new Memory().put("a.bin", "12345").put("b.bin", "12345").put("c.bin", "54321").put("d.bin", "1234567")
                .put("e.bin", "").put("f.bin", "");
        Scan scan = scan(source);
        Map<ProjectPath, Boolean> hashed = source.tree().files().stream()
                .collect(Collectors.toMap(ProjectFile::path, file -> scan.sha256(file).isPresent()));
        assertThat(hashed).containsEntry(path("a.bin"), true).containsEntry(path("c.bin"), true).containsEntry(path("d.bin"), false)
                .containsEntry(path("e.bin"), false);
        assertThat(scan.facts(path("a.bin")).sha256()).isEqualTo(scan.facts(path("b.bin")).sha256())
                .isNotEqualTo(scan.facts(path("c.bin")).sha256());
    }

    @Test
    void zerosAndShortcutsAreTold() throws Exception {
        Scan scan = scan(new Memory().put("a.mp4", "\0".repeat(200_000)).put("b.mp4", "\0".repeat(200_000) + "x").put("c.mp4", "")
                .put("d.lnk", "L\0\0\0\u0001\u0014\u0002\0").put("e", "book\0\0\0\0mark\0\0"));
        assertThat(scan.facts(path("a.mp4")).zeroFilled()).isTrue();
        assertThat(scan.facts(path("b.mp4")).zeroFilled()).isFalse();
        assertThat(scan.facts(path("c.mp4")).zeroFilled()).isFalse();
        assertThat(scan.facts(path("d.lnk")).shortcut()).isTrue();
        assertThat(scan.facts(path("e")).shortcut()).isTrue();
        assertThat(scan.facts().keySet()).doesNotContain(path("c.mp4"));
    }

    @Test
    void aFileThatIsOnlyListedIsNotOpenedAndItsNameStillTells() throws Exception {
        Memory source = new Memory().put("film.mp4.LNK", "x").put("film.mp4", "x").put("page.html", "<img src=a.png>");
        source.listedOnly.addAll(List.of("film.mp4.LNK", "film.mp4"));
        Scan scan = scan(source);
        assertThat(source.opened).containsOnlyKeys("page.html");
        assertThat(scan.facts(path("film.mp4.LNK")).shortcut()).isTrue();
        assertThat(scan.facts(path("film.mp4")).shortcut()).isFalse();
    }

    @Test
    void whatIsDamagedCostsItselfOnly() throws Exception {
        Memory source = new Memory().put("a.html", "<img src=x.png>").put("b.html", "<img src=y.png>");
        source.damaged.add("a.html");
        Scan scan = scan(source);
        assertThat(scan.damaged()).containsOnly(Map.entry(path("a.html"), PackageWording.DAMAGED.say()));
        assertThat(scan.documents()).singleElement().satisfies(document -> assertThat(document.document()).isEqualTo(path("b.html")));
    }

    @Test
    void whatAProgramKeepsIsNoDocument() throws Exception {
        Scan scan = scan(new Memory().put("kept/a.html", "<img src=x.png>").put("a.html", "<img src=x.png>"));
        assertThat(scan.documents()).singleElement().satisfies(document -> assertThat(document.document()).isEqualTo(path("a.html")));
    }

    @Test
    void progressEndsAtEverything() throws Exception {
        Memory source = new Memory().put("a.bin", "12345").put("b.bin", "123").put("c.bin", "1");
        source.listedOnly.add("c.bin");
        AtomicLong files = new AtomicLong();
        AtomicLong bytes = new AtomicLong();
        new ContentScan(source, ReadLimits.DEFAULT, path -> true, Set.of(), Long.MAX_VALUE, (done, read) -> {
            files.accumulateAndGet(done, Math::max);
            bytes.accumulateAndGet(read, Math::max);
        }, CustomLinks.NONE, Profiles.NONE, Listening.NONE).scan(source.tree());
        assertThat(files).hasValue(3);
        assertThat(bytes).hasValue(8);
    }

    @Test
    void filesOverTheLimitAreNotHashedAndThatIsTold() throws Exception {
        Memory source = new Memory().put("a.bin", "12345").put("b.bin", "12345").put("c.bin", "12").put("d.bin", "12");
        Scan scan = new ContentScan(source, ReadLimits.DEFAULT, path -> true, Set.of(), 4, (files, bytes) -> {}, CustomLinks.NONE,
                Profiles.NONE, Listening.NONE)
                .scan(source.tree());
        assertThat(scan.notChecked()).containsExactly("hashes");
        assertThat(scan.facts(path("a.bin")).sha256()).isEmpty();
        assertThat(scan.facts(path("c.bin")).sha256()).isPresent();
    }
}
