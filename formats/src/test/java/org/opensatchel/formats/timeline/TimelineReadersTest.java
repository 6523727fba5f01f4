package org.opensatchel.formats.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.format.Format;

/** Timelines as documents have them, told in a line for each track. */
class TimelineReadersTest {

    private static final String OTIO = "otio";
    private static final String EDL = "edl";
    private static final ProjectPath PATH = ProjectPath.of("edit/a.otio");

    private static List<Timeline> read(String format, String text) {
        return Formats.of(format).flatMap(Format::timelines).orElseThrow().read(PATH, text.getBytes(StandardCharsets.UTF_8));
    }

    private static Timeline one(String format, String text) {
        List<Timeline> timelines = read(format, text);
        assertThat(timelines).hasSize(1);
        return timelines.get(0);
    }

    private static String number(double value) {
        return Math.rint(value * 1_000) / 1_000 == Math.rint(value) ? Long.toString(Math.round(value))
                : Double.toString(Math.round(value * 1_000) / 1_000.0);
    }

    private static String told(Timeline.Track track) {
        return track.kind().name().toLowerCase(java.util.Locale.ROOT) + " " + track.name() + ": "
                + track.items().stream().map(item -> (item.isGap() ? "-" : item.name()) + (item.offline() ? "!" : "") + " "
                        + number(item.start()) + "+" + number(item.seconds())).collect(Collectors.joining(", "));
    }

    @Test
    void tracksClipsAndGapsInSeconds() {
        Timeline timeline = one(OTIO, new MadeTimeline("market", 30).startsAt(108_000)
                .track("Video", "V1", "a.mp4 45", "- 15", "b.mp4 30").track("Audio", "Voice", "- 60", "v.wav 30").track("Audio", "", "! 10")
                .toString());
        assertThat(timeline.name()).isEqualTo("market");
        assertThat(timeline.rate()).isEqualTo(OptionalDouble.of(30));
        assertThat(timeline.startsAt()).isEqualTo(OptionalDouble.of(3_600));
        assertThat(timeline.seconds()).isEqualTo(3);
        assertThat(timeline.tracks()).extracting(TimelineReadersTest::told).containsExactly("video V1: a.mp4 0+1.5, - 1.5+0.5, b.mp4 2+1",
                "sound Voice: - 0+2, v.wav 2+1", "sound : lost! 0+0.333");
        assertThat(timeline.tracks().get(0).items().get(2).at().text()).isEqualTo("/tracks/children/0/children/2");
        assertThat(timeline.tracks().get(0).items().get(2).link()).contains("/tracks/children/0/children/2/media_reference/target_url");
    }

    @Test
    void clipsOfTheLaterSchemaNamesOfSeveralAndWhatIsNested() {
        String clip = "{\"OTIO_SCHEMA\": \"Clip.2\", \"name\": \"c\", \"enabled\": false, \"active_media_reference_key\": \"small/er\", \"media_references\": {"
                + "\"small/er\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"s.mov\", \"available_range\": {\"duration\": {\"rate\": 24, \"value\": 48}}}, "
                + "\"DEFAULT_MEDIA\": {\"OTIO_SCHEMA\": \"MissingReference.1\"}}}";
        String nested = "{\"OTIO_SCHEMA\": \"Stack.1\", \"name\": \"inner\", \"children\": [{\"OTIO_SCHEMA\": \"Track.1\", \"children\": ["
                + clip
                + ", {\"OTIO_SCHEMA\": \"Transition.1\", \"in_offset\": {}}, " + clip + "]}]}";
        Timeline timeline = one(OTIO, "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": ["
                + "{\"OTIO_SCHEMA\": \"Track.1\", \"kind\": \"Video\", \"children\": [" + clip + ", " + nested + "]}]}}");
        assertThat(timeline.tracks()).extracting(TimelineReadersTest::told).containsExactly("video : c 0+2, inner 2+4");
        assertThat(timeline.rate()).isEqualTo(OptionalDouble.of(24));
        assertThat(timeline.tracks().get(0).items().get(0).enabled()).isFalse();
        assertThat(timeline.tracks().get(0).items().get(0).link())
                .contains("/tracks/children/0/children/0/media_references/small~1er/target_url");
    }

    @Test
    void collectionsHoldSeveralAndOtherThingsNone() {
        String two = "{\"OTIO_SCHEMA\": \"SerializableCollection.1\", \"children\": [" + new MadeTimeline("a", 25) + ", "
                + new MadeTimeline("b", 25) + ", {\"OTIO_SCHEMA\": \"Clip.1\"}]}";
        assertThat(read(OTIO, two)).extracting(Timeline::name).containsExactly("a", "b");
        assertThat(read(OTIO, "{\"x\": 1}")).isEmpty();
        assertThat(read(OTIO, "no json")).isEmpty();
        assertThat(Formats.of("gltf").flatMap(Format::timelines)).isEmpty();
    }

    @Test
    void timesThatNobodyMeantAreNone() {
        for (String time : List.of("1e300, \"value\": 5", "1e-300, \"value\": 5", "30, \"value\": 1e300", "0, \"value\": 5",
                "-30, \"value\": 5",
                "30, \"value\": -5", "30, \"value\": \"5\"")) {
            Timeline timeline = one(OTIO, "{\"OTIO_SCHEMA\": \"Timeline.1\", \"global_start_time\": {\"rate\": " + time
                    + "}, \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": [{\"OTIO_SCHEMA\": \"Track.1\", \"children\": [{\"OTIO_SCHEMA\": \"Clip.1\", "
                    + "\"source_range\": {\"duration\": {\"rate\": " + time + "}}}]}]}}");
            assertThat(timeline.seconds()).as(time).isBetween(0.0, 1e9);
            assertThat(timeline.startsAt().orElse(0)).as(time).isBetween(-1e9, 1e9);
        }
    }

    @Test
    void whatCoversAHoleMakesItNone() {
        MadeTimeline made = new MadeTimeline("m", 25).track("Video", "V1", "- 5", "a 25", "- 50", "b 25", "- 10");
        assertThat(one(OTIO, made.toString()).holes()).extracting(hole -> number(hole.start()) + "+" + number(hole.seconds()))
                .containsExactly("0+0.2", "1.2+2");
        made.track("Video", "V2", "- 30", "c 50").track("Audio", "A", "a 200");
        assertThat(one(OTIO, made.toString()).holes()).extracting(hole -> number(hole.start()) + "+" + number(hole.seconds()))
                .containsExactly("0+0.2");
    }

    @Test
    void aListOfEventsIsATimelineOfItsChannels() {
        Timeline timeline = one(EDL, """
                TITLE: NIGHT MARKET
                FCM: NON-DROP FRAME
                001  AX       V     C        00:00:00:00 00:00:02:00 01:00:00:00 01:00:02:00
                * FROM CLIP NAME: stall_01.mp4
                002  AX       AA/V  C        00:00:00:00 00:00:01:12 01:00:02:00 01:00:03:12
                003  BL       V     C        00:00:00:00 00:00:00:01 01:00:03:12 01:00:03:13
                004  AX       V     C        00:00:00:00 00:00:00:00 01:00:03:13 01:00:03:13
                004  AX       V     D    012 00:00:00:00 00:00:01:00 01:00:03:13 01:00:04:24
                * FROM CLIP NAME: stall_01.mp4
                * TO CLIP NAME: steam.mp4
                005  AX       NONE  C        00:00:00:00 00:00:01:00 01:00:05:00 01:00:06:00
                """);
        assertThat(timeline.name()).isEqualTo("NIGHT MARKET");
        assertThat(timeline.rate()).isEqualTo(OptionalDouble.of(25));
        assertThat(timeline.rateSaid()).isFalse();
        assertThat(timeline.startsAt()).isEqualTo(OptionalDouble.of(3_600));
        assertThat(timeline.tracks()).extracting(TimelineReadersTest::told).containsExactly(
                "video V: stall_01.mp4 0+2, AX 2+1.48, - 3.48+0.04, steam.mp4 3.52+1.44", "sound A: AX 2+1.48", "sound A2: AX 2+1.48");
        assertThat(timeline.tracks().get(0).items().get(0).link()).contains("4:19");
    }

    @Test
    void dropFrameTimesLeaveOutNumbersAndNoPictures() {
        Timeline timeline = one(EDL, """
                TITLE: X
                FCM: DROP FRAME
                001  AX       V     C        00:00:00;00 00:00:02;00 00:00:59;28 00:01:00;02
                """);
        // From 59;28 to 1:00;02 there are two pictures and no more: ;00 and ;01 are left out.
        assertThat(timeline.frames(timeline.seconds())).contains(2L);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"01:00:00:00 | 3600 | 25 | true", "01:00:00:00 | 0 | 25 | false", "3600 | 3600 | 30 | true",
            "01:00:00:00 | 3603.6 | 29.97 | true", "01:00:00;00 | 3600 | 29.97 | true", "00:00:10:12 | 10.48 | 25 | true",
            "00:00:10:12 | 10.6 | 25 | false", "0 | 0 | 24 | true"})
    void startsAreComparedByTheClock(String asked, double seconds, double rate, boolean same) {
        assertThat(TimeCode.isAt(asked.strip(), seconds, OptionalDouble.of(rate))).isEqualTo(same);
    }

    @Test
    void whatIsDamagedIsReadAsFarAsItGoesOrNotAtAll() {
        byte[] otio = new MadeTimeline("market", 30).track("Video", "V1", "a.mp4 45", "- 15", "! 30").track("Audio", "A", "b 5").toString()
                .getBytes(StandardCharsets.UTF_8);
        byte[] edl = ("TITLE: A\nFCM: DROP FRAME\n001  AX  V  C  00:00:00;00 00:00:02;00 00:00:59;28 00:01:00;02\n* FROM CLIP NAME: a.mp4\n")
                .getBytes(StandardCharsets.UTF_8);
        Random random = new Random(14);
        for (int i = 0; i < 4_000; i++) {
            byte[] bytes = (i % 2 == 0 ? otio : edl).clone();
            for (int n = random.nextInt(4); n >= 0; n--) {
                bytes[random.nextInt(bytes.length)] = (byte) " 0-{}[]\":9e;,x".charAt(random.nextInt(14));
            }
            String format = i % 2 == 0 ? OTIO : EDL;
            assertThatCode(() -> Formats.of(format).flatMap(Format::timelines).orElseThrow().read(PATH, bytes).forEach(timeline -> {
                timeline.holes();
                TimeCode.of(timeline.startsAt().orElse(0), timeline.rate());
            })).doesNotThrowAnyException();
        }
    }
}
