package org.opensatchel.formats.dawproject;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.media.MadeMedia;
import org.opensatchel.formats.timeline.Timeline;

/** Arrangements of exchange packages, written by construction. */
class DawTimelinesTest {

    private static final String STRUCTURE = """
            <Structure>
              <Track contentType="tracks" id="g" name="Band"><Channel role="submix"/>
                <Track contentType="audio" id="v" name="Voice"><Channel role="regular"><Mute value="false"/></Channel></Track>
                <Track contentType="notes" id="b" name="Bass"><Channel role="regular"><Mute value="true"/></Channel></Track>
              </Track>
              <Track contentType="video" id="p" name="Picture"/>
              <Track contentType="audio" id="r" name="Room"><Channel role="effect"/></Track>
              <Track id="m" name="Master"><Channel role="master"/></Track>
            </Structure>
            """;

    @TempDir
    private Path temp;

    private static byte[] packed(String xml) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("project.xml"));
            zip.write(xml.getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("audio/inside.wav"));
            zip.write(1);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    private static String project(String tempo, String arrangement) {
        return "<?xml version=\"1.0\"?><Project version=\"1.0\"><Transport>" + tempo + "</Transport>" + STRUCTURE
                + "<Arrangement id=\"a\" name=\"Night market\">" + arrangement + "</Arrangement>"
                + "<Scenes><Scene><Lanes track=\"v\"><Clips><Clip time=\"0\" duration=\"99\"/></Clips></Lanes></Scene></Scenes></Project>";
    }

    private static String lanes(String unit, String track, String clips) {
        return "<Lanes timeUnit=\"" + unit + "\"><Lanes track=\"" + track + "\"><Clips>" + clips + "</Clips></Lanes></Lanes>";
    }

    private static List<Timeline> read(String xml) {
        return new DawTimelines().read(ProjectPath.of("a.dawproject"), packed(xml));
    }

    private static String told(Timeline.Track track) {
        return track.kind() + " " + track.name() + (track.enabled() ? "" : " off") + track.items().stream()
                .map(item -> String.format(Locale.ROOT, " [%s%s %.3f+%.3f]", item.name(), item.enabled() ? "" : " off", item.start(),
                        item.seconds()))
                .collect(Collectors.joining());
    }

    @Test
    void tracksThatSomethingIsPutOnAndTheirClips() {
        Timeline timeline = read(project("<Tempo value=\"60\" unit=\"bpm\"/>",
                lanes("beats", "v", "<Clip time=\"4\" duration=\"2\" name=\"second\" enable=\"false\"/><Clip time=\"0\" duration=\"3\">"
                        + "<Warps contentTimeUnit=\"seconds\"><Audio><File path=\"audio/inside.wav\"/></Audio></Warps></Clip>")
                        + lanes("seconds", "p",
                                "<Clip time=\"1.5\" duration=\"2.25\"><Video><File path=\"../film.mp4\" external=\"true\"/></Video>"
                                        + "<Clips><Clip time=\"0\" duration=\"9\"><File path=\"no.wav\" external=\"true\"/></Clip></Clips></Clip>")))
                .get(0);
        assertThat(timeline.name()).isEqualTo("Night market");
        assertThat(timeline.tracks()).extracting(DawTimelinesTest::told).containsExactly(
                "SOUND Voice [inside.wav 0.000+3.000] [second off 4.000+2.000]", "SOUND Bass off", "VIDEO Picture [film.mp4 1.500+2.250]");
        assertThat(timeline.seconds()).isEqualTo(6);
        assertThat(timeline.tracks().get(0).items().get(0).link()).isEmpty();
        assertThat(timeline.tracks().get(2).items().get(0).link())
                .contains("/Project[1]/Arrangement[1]/Lanes[2]/Lanes[1]/Clips[1]/Clip[1]/Video[1]/File[1]/@path");
        assertThat(timeline.tracks().get(0).at().text()).isEqualTo("/Project[1]/Structure[1]/Track[1]/Track[1]");
    }

    /** Beats become seconds by the tempo: constant, changed at once, changed little by little. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"<Tempo value='120'/> | | 8 | 4", "<Tempo value='0'/> | | 8 | 4", " | | 8 | 4",
            "<Tempo value='90'/> | | 3 | 2",
            "<Tempo value='60'/> | <RealPoint time='0' value='60' interpolation='hold'/><RealPoint time='4' value='120' interpolation='hold'/> | 8 | 6",
            "<Tempo value='60'/> | <RealPoint time='4' value='120'/><RealPoint time='0' value='60'/> | 2 | 2",
            // From 60 to 120 within four beats: 4 ln 2 seconds for them.
            "<Tempo value='60'/> | <RealPoint time='0' value='60' interpolation='linear'/><RealPoint time='4' value='120'/> | 4 | 2.7726",
            "<Tempo value='60'/> | <RealPoint time='0' value='60' interpolation='linear'/><RealPoint time='4' value='120'/> | 6 | 3.7726",
            "<Tempo value='60'/> | <RealPoint time='0' value='-5'/><RealPoint time='1e12' value='90'/> | 2 | 2"})
    void beatsBecomeSeconds(String tempo, String points, double beats, double seconds) {
        String automation = points == null ? "" : "<TempoAutomation unit=\"bpm\" timeUnit=\"beats\">" + points + "</TempoAutomation>";
        Timeline timeline = read(project(tempo == null ? "" : tempo,
                lanes("beats", "v", "<Clip time=\"0\" duration=\"" + beats + "\"/>") + automation)).get(0);
        assertThat(timeline.seconds()).isCloseTo(seconds, org.assertj.core.data.Offset.offset(0.001));
    }

    @Test
    void whatIsNoArrangementIsNone() {
        assertThat(read("<Project/>")).isEmpty();
        assertThat(read("<Project><Structure>")).isEmpty();
        assertThat(new DawTimelines().read(ProjectPath.of("a"), new byte[]{1, 2, 3})).isEmpty();
        assertThat(read(project("", "<Lanes track=\"nobody\"><Clips><Clip time=\"0\" duration=\"1\"/></Clips></Lanes>")).get(0).seconds())
                .isZero();
    }

    @Test
    void whatIsDamagedIsReadAsFarAsItGoesOrNotAtAll() {
        String whole = project("<Tempo value=\"60\"/>", lanes("beats", "v", "<Clip time=\"4\" duration=\"2\" name=\"x\"/>"));
        byte[] package_ = packed(whole);
        Random random = new Random(5);
        for (int i = 0; i < 1_000; i++) {
            StringBuilder text = new StringBuilder(whole);
            byte[] bytes = package_.clone();
            for (int n = random.nextInt(4); n >= 0; n--) {
                text.setCharAt(random.nextInt(text.length()), "</>\"0e9 ".charAt(random.nextInt(8)));
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt();
            }
            assertThatCode(() -> read(text.toString()).forEach(Timeline::holes)).doesNotThrowAnyException();
            assertThatCode(() -> new DawTimelines().read(ProjectPath.of("a"), bytes)).doesNotThrowAnyException();
        }
    }

    @Test
    void clipsOfAReportSayWhereTheirFilesAre() throws IOException {
        Path edit = Files.createDirectories(temp.resolve("P/edit"));
        Files.write(edit.resolve("song.dawproject"), packed(project("", lanes("seconds", "v",
                "<Clip time=\"0\" duration=\"1\"><File path=\"../sound/rain.wav\" external=\"true\"/></Clip>"
                        + "<Clip time=\"1\" duration=\"1\"><File path=\"../sound/gone.wav\" external=\"true\"/></Clip>"
                        + "<Clip time=\"2\" duration=\"1\"><File path=\"audio/inside.wav\"/></Clip>"))));
        Files.createDirectories(temp.resolve("P/sound"));
        Files.write(temp.resolve("P/sound/rain.wav"), MadeMedia.wav(1, 48_000, 1, i -> 0.1));
        try (FolderSource source = new FolderSource(temp.resolve("P"))) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
            assertThat(report.timelines().orElseThrow().get(0).tracks().get(0).clips())
                    .extracting(clip -> clip.name() + " " + clip.outcome().orElse("-"))
                    .containsExactly("rain.wav ok", "gone.wav missing", "inside.wav -");
        }
    }
}
