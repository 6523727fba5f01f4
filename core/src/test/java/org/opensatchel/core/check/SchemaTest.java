package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.ReportJson;
import org.opensatchel.core.report.TimelineFound;
import org.opensatchel.formats.media.MadeMedia;
import org.opensatchel.formats.timeline.MadeTimeline;

/** What is written and read agrees with the published schemas. */
class SchemaTest {

    @TempDir
    Path temp;

    private static Schema schema(String name) throws IOException {
        try (InputStream in = Files.newInputStream(Path.of("../docs/schema/" + name + ".schema.json"))) {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(in);
        }
    }

    @Test
    void kitsAgree() throws IOException {
        Kit kit = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(schema("kit").validate(SampleProject.kit(), InputFormat.JSON)).isEmpty();
        assertThat(schema("kit").validate(new String(KitWriter.write(kit), StandardCharsets.UTF_8), InputFormat.JSON)).isEmpty();
        assertThat(schema("kit").validate(SampleProject.kit().replace("\"purpose\"", "\"porpoise\""), InputFormat.JSON)).isNotEmpty();
    }

    @Test
    void mediaAndTimelinesAgree() throws IOException {
        Path top = Files.createDirectories(temp.resolve("A/edit"));
        Files.write(top.resolve("film.mp4"),
                new MadeMedia.Film("avc1", 640, 360, 30, 1, 30).heard(8_000, 1, 4, MadeMedia.tone(8_000, -6)).bytes());
        Files.write(top.resolve("still.png"), MadeMedia.png(64, 36, true));
        Files.writeString(top.resolve("a.otio"),
                new MadeTimeline("m", 30).track("Video", "V", "film.mp4 30", "- 3", "gone.mp4 9", "! 4").toString());
        Files.writeString(top.resolve("a.edl"),
                "TITLE: X\n001  AX  V  C  00:00:00:00 00:00:02:00 00:00:59:28 00:01:01:02\n* FROM CLIP NAME: film.mp4\n");
        Kit kit = KitReader.read(
                "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"folders\": [{\"path\": \"edit\", \"media\": {\"width\": 9, \"peakDb\": [-9, -3]}}]}"
                        .getBytes(StandardCharsets.UTF_8))
                .kit().orElseThrow();
        try (FolderSource source = new FolderSource(temp.resolve("A"))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.of(kit), RosterFields.NONE)).run(source);
            assertThat(schema("report").validate(new String(ReportJson.bytes(report), StandardCharsets.UTF_8), InputFormat.JSON)).isEmpty();
            assertThat(report.media().orElseThrow().lines()).extracting(line -> line.path() + " " + line.differs()).containsExactly(
                    "edit/film.mp4 [media.size]", "edit/still.png [media.size]");
            assertThat(report.media().orElseThrow().lines().get(0).levels().orElseThrow().wave().orElseThrow()).hasSize(200)
                    .allMatch(part -> part >= 49 && part <= 51);
            TimelineFound timeline = report.timelines().orElseThrow().get(1);
            assertThat(timeline.tracks().get(0).clips()).extracting(clip -> clip.name() + clip.link() + clip.outcome() + clip.state())
                    .containsExactly("film.mp4Optional[1]Optional[ok]Optional.empty", "gone.mp4Optional[2]Optional[missing]Optional.empty",
                            "lostOptional.emptyOptional.emptyOptional[offline]");
            assertThat(report.timelines().orElseThrow().get(0).tracks().get(0).clips().get(0).outcome()).contains("ok");
            // What a page shows of it is read again as it was.
            ReportDigest digest = ReportDigest.of(report);
            assertThat(digest.head().media()).isEqualTo(report.media());
        }
    }

    @Test
    void wordsLettersAndModelsAgree() throws IOException {
        Path top = Files.createDirectories(temp.resolve("A/models"));
        Files.writeString(top.resolve("talk.srt"), "1\n00:00:01,000 --> 00:00:02,500\nHello\n\n2\n00:00:03,000 --> 00:00:04,000\nBye\n");
        Files.writeString(top.resolve("lamp.obj"), "mtllib lamp.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nusemtl brass\nf 1 2 3\n");
        Files.writeString(top.resolve("lamp.mtl"), "newmtl brass\nmap_Kd brass.png\nmap_Bump gone.png\nmap_Ks small.png\n");
        Files.write(top.resolve("brass.png"), MadeMedia.png(1_024, 512, true));
        Files.write(top.resolve("small.png"), MadeMedia.png(16, 16, true));
        try (FolderSource source = new FolderSource(temp.resolve("A"))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
            assertThat(schema("report").validate(new String(ReportJson.bytes(report), StandardCharsets.UTF_8), InputFormat.JSON)).isEmpty();
            assertThat(report.media().orElseThrow().lines()).filteredOn(line -> line.picture().isEmpty())
                    .extracting(line -> line.path() + " " + line.cues() + line.seconds() + line.model()).containsExactly(
                            "models/lamp.obj Optional.emptyOptional.emptyOptional[Model[vertices=3, faces=1, textures=2, largest=Optional[1024x512]]]",
                            "models/talk.srt Optional[2]Optional[4.0]Optional.empty");
            assertThat(ReportDigest.of(report).head().media()).isEqualTo(report.media());
        }
    }

    @Test
    void proxiesAndCachesAgree() throws IOException {
        String json = "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"folders\": [{\"path\": \"small\"}, {\"path\": \"waves\", "
                + "\"rebuildable\": true}], \"proxies\": [{\"in\": \"small\"}, {\"name\": \"{original}_s\"}, {\"in\": \"small\", \"name\": \"s-{original}\"}]}";
        Kit kit = KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(schema("kit").validate(json, InputFormat.JSON)).isEmpty();
        assertThat(schema("kit").validate(new String(KitWriter.write(kit), StandardCharsets.UTF_8), InputFormat.JSON)).isEmpty();
        for (String wrong : List.of("{}", "{\"name\": \"small\"}", "{\"name\": \"{last}{original}\"}")) {
            assertThat(schema("kit").validate(json.replace("{\"in\": \"small\"},", wrong + ","), InputFormat.JSON)).as(wrong).isNotEmpty();
        }
    }

    @Test
    void briefsStandOnFoldersDocumentsAndFiles() throws IOException {
        String media = "{\"width\": 1280, \"height\": 720, \"aspect\": \"16:9\", \"minPixels\": 9, \"maxPixels\": 99, \"multipleOf\": 2, "
                + "\"alpha\": true, \"frameRate\": 29.97, \"constantRate\": true, \"minSeconds\": 1, \"maxSeconds\": 20.5, \"codecs\": [\"AAC\"], "
                + "\"bitDepth\": 24, \"sound\": true, \"sampleRate\": 48000, \"channels\": 2, \"peakDb\": [-12, -3], \"loudness\": [-24, -22]}";
        String json = "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"folders\": [{\"path\": \"footage\", \"media\": "
                + media
                + "}], \"documents\": [{\"role\": \"A\", \"name\": \"a\", \"media\": " + media
                + ", \"timeline\": {\"video\": {\"atLeast\": 1, \"names\": [\"V\"]}, \"sound\": {\"atMost\": 2, \"names\": [\"A\", \"B\"]}, \"name\": \"t\", "
                + "\"startsAt\": \"01:00:00:00\", \"minSeconds\": 1, \"maxSeconds\": 9, \"frameRate\": 25, \"maxGapFrames\": 0, \"minClipFrames\": 2, "
                + "\"offline\": \"note\"}}], \"files\": [{\"role\": \"B\", \"name\": \"b\", \"media\": " + media + "}]}";
        Kit kit = KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(kit.briefs()).hasSize(3);
        String written = new String(KitWriter.write(kit), StandardCharsets.UTF_8);
        assertThat(schema("kit").validate(written, InputFormat.JSON)).isEmpty();
        assertThat(KitReader.read(written.getBytes(StandardCharsets.UTF_8)).kit()).contains(kit);
    }

    @Test
    void kitsHoldProfilesWholeAndByContent() throws IOException {
        String profile = "{\"profile\": 1, \"title\": \"T\", \"content\": \"xml\", \"slots\": [{\"id\": \"a\", \"at\": \"/a/@b\"}]}";
        String hash = "0123456789abcdef".repeat(4);
        String json = "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"A\"}, \"links\": {\"profiles\": [" + profile + ", \"" + hash
                + "\"]}}";
        Kit kit = KitReader.read(json.getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        assertThat(kit.links().profiles()).hasSize(1);
        assertThat(kit.links().named()).containsExactly(hash);
        String written = new String(KitWriter.write(kit), StandardCharsets.UTF_8);
        assertThat(schema("kit").validate(written, InputFormat.JSON)).isEmpty();
        assertThat(KitReader.read(written.getBytes(StandardCharsets.UTF_8)).kit()).contains(kit);
        assertThat(KitReader.read(json.replace("/a/@b", "a").getBytes(StandardCharsets.UTF_8)).faults())
                .extracting(fault -> fault.at()).containsExactly("/links/profiles/0/slots/0/at");
    }

    @Test
    void reportsAgree() throws IOException {
        SampleProject project = SampleProject.clean().links("F:\\A2\\footage\\stall_01.mp4", "F:\\A2\\sound\\hum.wav",
                "../footage/gone.mp4", "https://x.example/a", "data:,x", "$V/a").move("story", "Story").remove("sound/market-bell.wav");
        Kit kit = KitReader.read(SampleProject.kit().getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
        CheckRequest request = CheckRequest.of(Optional.of(kit), new RosterFields(Map.of(RosterField.LAST, "Marsh")))
                .located(Optional.of(ProjectLocation.of("E:\\x")));
        for (Path zip : new Path[]{project.zip(temp, project.root + "/"), Files.write(temp.resolve("no.zip"), new byte[9])}) {
            try (ZipSource source = ZipSource.open(zip)) {
                String report = new String(ReportJson.bytes(new ProjectCheck(request).run(source)), StandardCharsets.UTF_8);
                assertThat(schema("report").validate(report, InputFormat.JSON)).isEmpty();
                assertThat(report).doesNotContain("\"sure\":null", "\"at\":null");
            }
        }
    }

    @Test
    void listingsAgree() throws IOException {
        assertThat(schema("listing").validate(Files.readString(SampleProject.clean().listing(temp)), InputFormat.JSON)).isEmpty();
    }

    @Test
    void machinesAgree() throws IOException {
        try (InputStream shipped = org.opensatchel.core.location.Machine.class.getResourceAsStream("shipped.json")) {
            for (tools.jackson.databind.JsonNode machine : JsonDocuments.MAPPER.readTree(shipped)) {
                assertThat(schema("machine").validate(machine.toString(), InputFormat.JSON)).isEmpty();
            }
        }
        assertThat(schema("machine").validate("{\"machine\": 1, \"name\": \"x\", \"system\": \"windows\", \"cost\": 1}", InputFormat.JSON))
                .isNotEmpty();
    }
}
