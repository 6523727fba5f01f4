package org.opensatchel.core.example;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.described.learn.Learned;
import org.opensatchel.formats.described.learn.Learner;

/** Profiles and documents that mean harm: each is refused or read with bounds, and told. */
class HostileProfilesTest {

    @TempDir
    private Path folder;

    /** A change to a good profile, and where what is wrong with it is told. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            "profile": 1        | "profile": 2                                   | /profile
            "content": "xml"    | "content": "yes"                               | /content
            "content": "xml"    | "content": "bytes"                             | /slots/0
            "at": "/a/@b"       | "at": "a"                                      | /slots/0/at
            "at": "/a/@b"       | "at": "/a/@b", "pattern": "x"                  | /slots/0
            "at": "/a/@b"       | "bytes": {"length": "u9", "before": "zz"}      | /slots/0/bytes/before
            "role": "link"      | "role": "folder"                               | /slots/0/of
            "role": "link"      | "role": "link", "of": "nobody"                 | /slots
            "role": "link"      | "role": "link", "surprise": 1                  | /slots/0/surprise
            "role": "link"      | "role": "link", "starts": "moon"               | /slots/0/starts
            "role": "link"      | "role": "link", "starts": {"slot": "zz"}       | /slots
            "role": "link"      | "role": "alone"                                | /slots
            "role": "link"      | "role": "link", "when": {"@k": 3}              | /slots/0/when/@k
            "title": "T"        | "title": "T", "unwrap": ["rar"]                | /unwrap
            "title": "T"        | "title": "T", "title": "U"                     | /title
            "title": "T"        | "title": 3                                     | /title
            """)
    void aBrokenProfileIsToldAtItsPlace(String from, String to, String at) {
        String good = "{\"profile\": 1, \"title\": \"T\", \"content\": \"xml\", \"slots\": [{\"id\": \"a\", \"at\": \"/a/@b\", \"role\": \"link\"}]}";
        assertThat(ProfileReader.read(good.getBytes(StandardCharsets.UTF_8)).faults()).isEmpty();
        assertThat(good).contains(from);
        ProfileReading reading = ProfileReader.read(good.replace(from, to).getBytes(StandardCharsets.UTF_8));
        assertThat(reading.profile()).isEmpty();
        assertThat(reading.faults()).extracting(fault -> fault.at()).contains(at);
        reading.faults().forEach(fault -> assertThat(Words.ENGLISH.text(fault.said())).isNotBlank());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            (?P<link>(((a{30}){30}){30}){30})
            (?P<link>
            no group
            (?P<link>x)\\1
            """)
    void aPatternThatWouldTakeAllMemoryIsRefused(String pattern) {
        String json = "{\"profile\": 1, \"title\": \"T\", \"content\": \"text\", \"slots\": [{\"id\": \"a\", \"role\": \"link\", \"pattern\": \""
                + pattern.replace("\\", "\\\\") + "\"}]}";
        assertThat(ProfileReader.read(json.getBytes(StandardCharsets.UTF_8)).faults()).extracting(fault -> fault.at())
                .containsExactly("/slots/0/pattern");
    }

    @Test
    void aProfileOfEndlessSlotsIsRefused() {
        StringBuilder slots = new StringBuilder();
        for (int i = 0; i < 2_000; i++) {
            slots.append(i > 0 ? "," : "").append("{\"id\":\"s").append(i).append("\",\"at\":\"/").append("x/".repeat(200)).append("y\"}");
        }
        ProfileReading reading = ProfileReader
                .read(("{\"profile\":1,\"title\":\"T\",\"content\":\"xml\",\"slots\":[" + slots + "]}").getBytes(StandardCharsets.UTF_8));
        assertThat(reading.profile()).isEmpty();
        assertThat(reading.faults()).hasSize(50);
    }

    static List<Invented> formats() {
        return Invented.all();
    }

    /** Documents of each format, damaged at random: nothing of ours breaks, and no more is told than one fault of the document. */
    @ParameterizedTest
    @MethodSource("formats")
    void damagedDocumentsCostThemselvesOnly(Invented format) throws IOException {
        Profile profile = InventedFormatsTest.learned(format, folder);
        InventedProject project = new InventedProject(format, 2, 9);
        Path root = project.write(folder.resolve("p"));
        Path document = root.resolve(project.document());
        byte[] whole = Files.readAllBytes(document);
        Random random = new Random(format.name().hashCode());
        for (int i = 0; i < 25; i++) {
            byte[] damaged = whole.clone();
            for (int k = 0; k < 1 + i % 6; k++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            }
            Files.write(document, i % 5 == 0 ? java.util.Arrays.copyOf(damaged, random.nextInt(damaged.length)) : damaged);
            Report report = InventedFormatsTest.check(root, profile);
            assertThat(report.findings()).noneMatch(finding -> finding.code().equals("package.rule-failed"));
            assertThat(report.findings().stream().filter(finding -> finding.code().equals("link.document-unreadable")).count())
                    .isLessThanOrEqualTo(1);
        }
    }

    private Profile profile(String content, String slot) {
        String json = "{\"profile\": 1, \"title\": \"T\", \"files\": \"**/*.hst\", \"content\": \"" + content
                + "\", \"slots\": [{\"id\": \"a\", \"role\": \"link\", \"always\": true, " + slot + "}]}";
        ProfileReading reading = ProfileReader.read(json.getBytes(StandardCharsets.UTF_8));
        assertThat(reading.faults()).isEmpty();
        return reading.profile().orElseThrow();
    }

    private Report check(Profile profile, byte[] document) throws IOException {
        Path root = Files.createDirectories(folder.resolve("h"));
        Files.write(root.resolve("cut.hst"), document);
        Files.writeString(root.resolve("a.mov"), "m");
        return InventedFormatsTest.check(root, profile);
    }

    @Test
    void veryManyValuesAreToldOnce() throws IOException {
        String many = "<a>" + "<b c=\"a.mov\"/>".repeat(500_000) + "</a>";
        Report report = check(profile("xml", "\"at\": \"/a/b/@c\""), many.getBytes(StandardCharsets.UTF_8));
        assertThat(report.findings()).extracting(finding -> finding.code()).contains("link.document-unreadable");
        assertThat(report.links().size()).isLessThanOrEqualTo(200_000);
    }

    @Test
    void deepNestingAndBombsAreBounded() throws IOException {
        String deep = "<a>".repeat(200_000);
        assertThat(check(profile("xml", "\"at\": \"/a/@c\""), deep.getBytes(StandardCharsets.UTF_8)).verdict()).isNotNull();
        String json = "{\"a\":".repeat(200_000);
        assertThat(check(profile("json", "\"at\": \"/a/c\""), json.getBytes(StandardCharsets.UTF_8)).verdict()).isNotNull();
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(bomb)) {
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 400; i++) {
                gzip.write(zeros);
            }
        }
        Profile packed = ProfileReader
                .read(("{\"profile\": 1, \"title\": \"T\", \"files\": \"**/*.hst\", \"unwrap\": [\"gzip\"], \"content\": \"xml\","
                        + " \"slots\": [{\"id\": \"a\", \"at\": \"/a/@b\", \"role\": \"link\"}]}").getBytes(StandardCharsets.UTF_8))
                .profile().orElseThrow();
        assertThat(check(packed, bomb.toByteArray()).verdict()).isNotNull();
    }

    @Test
    void pagesOfADatabaseThatGoInCirclesEnd() throws IOException {
        byte[] bytes = new DatabaseWriter().table("CREATE TABLE t (f TEXT)", "t",
                java.util.stream.IntStream.range(0, 200).mapToObj(i -> List.<Object>of("folder/file number " + i + ".mov")).toList())
                .bytes();
        Profile profile = profile("database", "\"at\": \"/t/*/f\"");
        assertThat(check(profile, bytes).links()).hasSize(200);
        for (int page = 1; page < bytes.length / 512; page++) {
            if (bytes[page * 512] == 5) {
                // The first child of the page above the leaves is that page itself.
                int cell = ByteBuffer.wrap(bytes).getShort(page * 512 + 12) & 0xFFFF;
                ByteBuffer.wrap(bytes).putInt(page * 512 + cell, page + 1);
            }
        }
        assertThat(check(profile, bytes).findings()).extracting(finding -> finding.code()).contains("link.document-unreadable");
    }

    @Test
    void lengthsThatLieAreNotBelieved() throws IOException {
        byte[] bytes = "FREF\uffff\u0010a.movFREF".getBytes(StandardCharsets.ISO_8859_1);
        Profile profile = profile("bytes", "\"bytes\": {\"before\": \"46524546\", \"length\": \"u32le\"}");
        assertThat(check(profile, bytes).links()).isEmpty();
        byte[] list = BinaryListWriter.write(new Invented.Scene("t", "/x", "edit/a", List.of()));
        ByteBuffer.wrap(list).putLong(list.length - 24, Long.MAX_VALUE);
        assertThat(check(profile("binary-property-list", "\"at\": \"/items/*/file\""), list).verdict()).isNotNull();
    }

    @Test
    void anExampleMadeToConfuseTeachesNothingAndEnds() throws IOException {
        StringBuilder text = new StringBuilder();
        Random random = new Random(7);
        for (int i = 0; i < 60_000; i++) {
            text.append("k").append(Integer.toHexString(random.nextInt())).append(" = \"").append(i).append(".x/").append(random.nextInt(9))
                    .append("\" ; a").append(i).append("=b").append('\n');
        }
        Example example = new Example(Optional.of("x"), java.util.Set.of(ProjectPath.of("a.mov")), Optional.empty(),
                List.of(new Example.Document(ProjectPath.of("a.zz"), text.toString().getBytes(StandardCharsets.UTF_8))));
        Learned learned = new Learner(List.of(example)).learn();
        assertThat(learned.kinds()).isEmpty();
    }
}
