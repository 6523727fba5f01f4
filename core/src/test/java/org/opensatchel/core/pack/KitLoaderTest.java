package org.opensatchel.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.core.pack.KitLoader.Drive;
import org.opensatchel.core.pack.KitLoader.DriveFormat;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.words.Words;

/** A kit is on a drive whole, or not at all. */
class KitLoaderTest {

    private static final RosterFields MARSH = new RosterFields(
            Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline", RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));
    private static final StarterContents BELL = file -> new ByteArrayInputStream(SampleProject.BELL);
    private static final long ROOMY = 1L << 30;

    @TempDir
    Path drive;

    @Test
    void theKitIsThereAsItWouldBeUnpacked() throws IOException {
        AtomicLong told = new AtomicLong();
        assertThat(loader(BELL).load(new Drive("SATCHEL-01", drive, DriveFormat.EXFAT, ROOMY), told::set).loaded()).isTrue();
        assertThat(drive.resolve("MOV120_A2_Marsh_Ottoline/sound/market-bell.wav")).hasBinaryContent(SampleProject.BELL);
        assertThat(drive.resolve("MOV120_A2_Marsh_Ottoline/edit/autosave")).isDirectory();
        assertThat(told.get()).as("written and read back").isGreaterThan(2L * SampleProject.BELL.length);
        assertThat(KitLoader.used(drive)).isEqualTo(loader(BELL).bytesNeeded());
        var report = new ProjectCheck(CheckRequest.of(Optional.of(kit()), RosterFields.NONE))
                .run(new FolderSource(drive.resolve("MOV120_A2_Marsh_Ottoline")));
        assertThat(report.findings().stream().map(finding -> finding.code()).toList()).as("what is left to the student")
                .contains("structure.too-few").doesNotContain("name.root", "structure.folder-missing");
    }

    /** Drives are listed while kits are loaded onto them, and the folders that are looked at are moved away meanwhile. */
    @Test
    void aDriveIsMeasuredWhileItIsWritten() throws Exception {
        AtomicBoolean done = new AtomicBoolean();
        Thread writer = new Thread(() -> {
            while (!done.get()) {
                loader(BELL).load(new Drive("SATCHEL-01", drive, DriveFormat.EXFAT, ROOMY), bytes -> {});
                drive.resolve("MOV120_A2_Marsh_Ottoline").toFile().renameTo(drive.resolve(".gone").toFile());
                try (Stream<Path> gone = Files.walk(drive.resolve(".gone"))) {
                    gone.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
                } catch (IOException nothing) {
                    // It was not there yet.
                }
            }
        });
        writer.start();
        try {
            for (int i = 0; i < 500; i++) {
                assertThat(KitLoader.used(drive)).isBetween(0L, loader(BELL).bytesNeeded() * 2);
            }
        } finally {
            done.set(true);
            writer.join();
        }
    }

    @Test
    void aDriveThatIsTooSmallIsLeftAsItWas() throws IOException {
        long needed = loader(BELL).bytesNeeded();
        KitLoader.Loading loading = loader(BELL).load(new Drive("SATCHEL-02", drive, DriveFormat.FAT32, needed - 1), bytes -> {});
        assertThat(refusal(loading)).contains("SATCHEL-02").contains("the kit takes").contains("Nothing was written");
        assertEmpty();
        assertThat(loader(BELL).load(new Drive("SATCHEL-02", drive, DriveFormat.FAT32, needed), bytes -> {}).loaded()).isTrue();
    }

    @Test
    void aKitThatIsThereIsNotWrittenOver() throws IOException {
        Path work = Files.createDirectories(drive.resolve("MOV120_A2_Marsh_Ottoline"));
        Files.writeString(work.resolve("work.txt"), "mine");
        assertThat(refusal(loader(BELL).load(new Drive("S", drive, DriveFormat.EXFAT, ROOMY), bytes -> {}))).contains("already");
        assertThat(work.resolve("work.txt")).hasContent("mine");
    }

    @Test
    void whatBreaksOnTheWayLeavesNothing() throws IOException {
        StarterContents breaking = file -> new InputStream() {
            @Override
            public int read() throws IOException {
                throw new IOException("pulled out");
            }
        };
        StarterContents endless = file -> new InputStream() {
            @Override
            public int read() {
                return 'x';
            }
        };
        assertThat(refusal(loader(endless).load(new Drive("S", drive, DriveFormat.EXFAT, ROOMY), bytes -> {}))).contains("broke off");
        assertEmpty();
        assertThat(refusal(loader(breaking).load(new Drive("S", drive, DriveFormat.EXFAT, ROOMY), bytes -> {}))).contains("broke off");
        assertEmpty();
        Path gone = drive.resolve("not there");
        assertThat(refusal(loader(BELL).load(new Drive("S", gone, DriveFormat.EXFAT, ROOMY), bytes -> {}))).contains("broke off");
    }

    @Test
    void whatAnEarlierBreakLeftIsClearedAway() throws IOException {
        Files.writeString(Files.createDirectories(drive.resolve(KitLoader.UNFINISHED)).resolve("half.txt"), "half");
        assertThat(loader(BELL).load(new Drive("S", drive, DriveFormat.EXFAT, ROOMY), bytes -> {}).loaded()).isTrue();
        assertThat(drive.resolve(KitLoader.UNFINISHED)).doesNotExist();
        assertThat(drive.resolve("MOV120_A2_Marsh_Ottoline/half.txt")).doesNotExist();
    }

    @Test
    void aFileOverFourGigabytesDoesNotGoOntoFat() throws IOException {
        List<StarterFile> large = List
                .of(new StarterFile(ProjectPath.of("footage/long.mp4"), "0".repeat(64), 1L << 32, StarterFile.Treat.KEEP));
        KitLoader loader = new KitLoader(handout(), large, BELL);
        assertThat(refusal(loader.load(new Drive("S", drive, DriveFormat.FAT32, 1L << 40), bytes -> {}))).contains("long.mp4")
                .contains("4 GiB");
        assertEmpty();
    }

    private void assertEmpty() throws IOException {
        try (var left = Files.list(drive)) {
            assertThat(left).isEmpty();
        }
    }

    private static KitLoader loader(StarterContents contents) {
        return new KitLoader(handout(), kit().starter(), contents);
    }

    private static Handout handout() {
        return Handout.of(kit(), "0".repeat(64), MARSH).orElseThrow();
    }

    private static Kit kit() {
        return KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
    }

    private static String refusal(KitLoader.Loading loading) {
        return loading.refusal().map(Words.ENGLISH::text).orElse("");
    }
}
