package org.opensatchel.formats.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.check.SampleProject;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.HashedSource;
import org.opensatchel.core.project.OpenFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;

/** Whole and broken off files in projects of every form: broken off is told of those that are, and of no other. */
class BrokenOffTest {

    /** How the names of each container's files end. */
    private static final Map<String, String> ENDINGS = Map.ofEntries(Map.entry("PNG", "png"), Map.entry("JPEG", "jpg"),
            Map.entry("GIF", "gif"),
            Map.entry("BMP", "bmp"), Map.entry("WebP", "webp"), Map.entry("TIFF", "tif"), Map.entry("WAVE", "wav"),
            Map.entry("AIFF", "aif"),
            Map.entry("FLAC", "flac"), Map.entry("Ogg", "ogg"), Map.entry("MPEG audio", "mp3"), Map.entry("MP4", "mp4"),
            Map.entry("MOV", "mov"), Map.entry("Matroska", "mkv"), Map.entry("WebM", "webm"), Map.entry("AVI", "avi"),
            Map.entry("SubRip", "srt"),
            Map.entry("WebVTT", "vtt"), Map.entry("OpenType", "ttf"), Map.entry("WOFF", "woff"), Map.entry("WOFF2", "woff2"),
            Map.entry("glTF", "gltf"), Map.entry("GLB", "glb"), Map.entry("OBJ", "obj"));

    @TempDir
    private Path temp;

    /** A file of a project, and whether it is broken off. */
    private record Laid(String path, byte[] bytes, boolean cut) {}

    private static List<Laid> laid() throws IOException {
        List<Laid> out = new ArrayList<>();
        for (Sample sample : MediaReadersTest.samples().toList()) {
            String ending = ENDINGS.get(sample.facts().split(",")[0]);
            byte[] third = Bytes.cut(sample.bytes(), sample.bytes().length * 2 / 3);
            out.add(new Laid("media/whole " + out.size() + "." + ending, sample.bytes(), sample.facts().endsWith("CUT")));
            if (MediaReadersTest.isMissed(sample)) {
                out.add(new Laid("media/cut " + out.size() + "." + ending, third, true));
            }
        }
        return out;
    }

    private static List<String> told(ProjectSource source) throws IOException {
        Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
        return report.findings().stream().filter(finding -> finding.code().equals("asset.truncated")).map(Report.FindingLine::path).sorted()
                .toList();
    }

    private Path zip(List<Laid> files, boolean packed) throws IOException {
        Path zip = temp.resolve("project.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            for (Laid file : files) {
                ZipEntry entry = new ZipEntry("Root/" + file.path);
                if (!packed) {
                    CRC32 crc = new CRC32();
                    crc.update(file.bytes);
                    entry.setMethod(ZipEntry.STORED);
                    entry.setSize(file.bytes.length);
                    entry.setCrc(crc.getValue());
                }
                out.putNextEntry(entry);
                out.write(file.bytes);
                out.closeEntry();
            }
        }
        return zip;
    }

    /** As a folder that was sent file by file: a list, and contents by their hashes. */
    private ProjectSource sent(List<Laid> files, Path root) throws IOException {
        Map<String, Path> contents = new HashMap<>();
        List<String> lines = new ArrayList<>();
        for (Laid file : files) {
            String hash = SampleProject.sha256(file.bytes);
            contents.put(hash, root.resolve(file.path));
            lines.add("{\"path\": \"" + file.path + "\", \"bytes\": " + file.bytes.length + ", \"sha256\": \"" + hash + "\"}");
        }
        Path list = Files.writeString(temp.resolve("list.json"),
                "{\"listing\": 1, \"root\": \"Root\", \"files\": [" + String.join(",\n", lines) + "]}");
        return new HashedSource(list, hash -> new OpenFile(FileChannel.open(contents.get(hash))));
    }

    @Test
    void whatIsBrokenOffIsToldInFoldersAndArchives() throws IOException {
        List<Laid> files = laid();
        List<String> cut = files.stream().filter(Laid::cut).map(Laid::path).sorted().toList();
        assertThat(cut).hasSizeGreaterThan(200);
        Path root = Files.createDirectories(temp.resolve("Root"));
        for (Laid file : files) {
            Files.createDirectories(root.resolve(file.path).getParent());
            Files.write(root.resolve(file.path), file.bytes);
        }
        try (ProjectSource source = new FolderSource(root)) {
            assertThat(told(source)).containsExactlyElementsOf(cut);
        }
        try (ProjectSource source = sent(files, root)) {
            assertThat(told(source)).containsExactlyElementsOf(cut);
        }
        for (boolean packed : new boolean[]{true, false}) {
            try (ProjectSource source = ZipSource.open(zip(files, packed))) {
                assertThat(told(source)).containsExactlyElementsOf(cut);
            }
        }
    }

    /** A film of ten megabytes that goes by packed: its description is kept wherever it stands. */
    @Test
    void longFilmsAreReadWhileTheyGoBy() throws IOException {
        byte[] data = new byte[10 << 20];
        new Random(10).nextBytes(data);
        Out moov = FilmSamples.described();
        byte[] before = new Out().add(FilmSamples.type("isom")).add(moov).u32(data.length + 8).text("mdat").add(data).bytes();
        byte[] behind = new Out().add(FilmSamples.type("isom")).u32(data.length + 8).text("mdat").add(data).add(moov).bytes();
        List<Laid> files = List.of(new Laid("a.mp4", before, false), new Laid("b.mp4", behind, false),
                new Laid("c.mp4", Bytes.cut(before, 9 << 20), true), new Laid("d.mp4", Bytes.cut(behind, 9 << 20), true));
        try (ProjectSource source = ZipSource.open(zip(files, true))) {
            assertThat(told(source)).containsExactly("c.mp4", "d.mp4");
        }
    }
}
