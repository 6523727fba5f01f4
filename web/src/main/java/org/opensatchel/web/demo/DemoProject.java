package org.opensatchel.web.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A student's Night Market project in memory: clean as made, to be spoilt in known ways. */
final class DemoProject {

    private static final List<String> CLIPS = List.of("stall_01", "stall_02", "stall_03", "stall_04", "crowd_a", "crowd_b", "steam",
            "lamp");

    private final String last;
    private final int seed;
    private String root;
    private final Map<String, byte[]> files = new TreeMap<>();
    private final List<String> links = new ArrayList<>();
    private boolean flash;

    private DemoProject(String root, String last, int seed) {
        this.root = root;
        this.last = last;
        this.seed = seed;
    }

    /** A clean project under its right name. */
    static DemoProject clean(String root, String last, int seed) {
        DemoProject project = new DemoProject(root, last, seed);
        for (int i = 0; i < CLIPS.size(); i++) {
            project.files.put("footage/" + CLIPS.get(i) + ".mp4", DemoMedia.mp4(seed % 3 * 50 + i, 1280, 720, 3, 30));
            project.links.add("../footage/" + CLIPS.get(i) + ".mp4");
        }
        project.files.put("sound/market-bell.wav", bell());
        project.files.put("sound/hum.wav", DemoMedia.wav(seed + 100));
        project.files.put("sound/voice_take4.wav", DemoMedia.wav(seed + 200));
        project.files.put("titles/Lantern.png", DemoMedia.png(seed, 96, 54));
        project.files.put("titles/grain.png", DemoMedia.png(seed + 1, 96, 54));
        project.files.put("titles/titles.svg", text(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"1280\" height=\"720\">\n <image href=\"grain.png\"/>\n <image href=\"Lantern.png\"/>\n <image href=\"data:image/gif;base64,R0lGODlhAQABAAAAACw=\"/>\n</svg>\n"));
        project.files.put("story/board.csv", text("shot,what\n1,The stall from afar\n2,Steam\n"));
        project.files.put("delivery/" + last + "_A2_final.mp4", film(seed, 1280, 720, 1));
        project.links.addAll(List.of("../sound/market-bell.wav", "../sound/hum.wav", "../sound/voice_take4.wav", "../titles/titles.svg"));
        project.timeline("edit/" + last + "_A2_v01.otio", project.links.subList(0, 4));
        project.timeline("edit/" + last + "_A2_v02.otio", project.links);
        return project;
    }

    private static byte[] film(int seed, int width, int height, double level) {
        return DemoMedia.mp4(seed * 50 + 40, width, height, 12, 30, DemoMedia.mix(seed, 12, level));
    }

    /** The finished film in another size, or with its sound at another level. */
    DemoProject delivered(int width, int height, double level) {
        return add("delivery/" + last + "_A2_final.mp4", film(seed, width, height, level));
    }

    /** A file that broke off while it was copied. */
    DemoProject cut(String path) {
        return add(path, Arrays.copyOf(content(path), content(path).length * 3 / 5));
    }

    /** The kit's own sound. */
    static byte[] bell() {
        return DemoMedia.wav(7);
    }

    String last() {
        return last;
    }

    /** The links of the newest timeline, to be put in again by {@link #relink}. */
    List<String> links() {
        return new ArrayList<>(links);
    }

    DemoProject relink(List<String> changed) {
        timeline("edit/" + last + "_A2_v02.otio", changed);
        return this;
    }

    DemoProject named(String name) {
        root = name;
        return this;
    }

    DemoProject add(String path, byte[] content) {
        files.put(path, content);
        return this;
    }

    DemoProject picture(String path) {
        return add(path, DemoMedia.png(seed + path.hashCode(), 64, 36));
    }

    DemoProject sound(String path) {
        return add(path, DemoMedia.wav(seed + Math.floorMod(path.hashCode(), 900)));
    }

    DemoProject remove(String path) {
        files.keySet().removeIf(file -> file.equals(path) || file.startsWith(path + "/"));
        return this;
    }

    DemoProject move(String from, String to) {
        Map<String, byte[]> moved = new TreeMap<>();
        files.forEach((path, content) -> moved
                .put(path.equals(from) || path.startsWith(from + "/") ? to + path.substring(from.length()) : path, content));
        files.clear();
        files.putAll(moved);
        return this;
    }

    /** All of it, by its paths below the root. */
    Map<String, byte[]> files() {
        return new TreeMap<>(files);
    }

    byte[] content(String path) {
        return files.get(path);
    }

    /** The newest timeline, with one of its clips so short that it flashes by. */
    DemoProject flash(List<String> changed) {
        flash = true;
        return relink(changed);
    }

    /**
     * A timeline of twelve seconds: pictures one after the other, titles over them, voice and market below. Whatever else is linked stands
     * behind the last picture, or in the track of its kind.
     */
    private void timeline(String path, List<String> targets) {
        List<String> pictures = targets.stream().filter(target -> !isSound(target) && !target.endsWith(".svg")).toList();
        List<String> sounds = targets.stream().filter(DemoProject::isSound).toList();
        List<String> titles = targets.stream().filter(target -> target.endsWith(".svg")).toList();
        List<String> tracks = new ArrayList<>();
        List<String> seen = new ArrayList<>();
        for (int i = 0; i < pictures.size(); i++) {
            int frames = flash && i == 2 ? 1 : i >= CLIPS.size() ? 15 : flash && i == 3 ? 89 : 45;
            seen.add(clip(pictures.get(i), frames));
        }
        tracks.add(track("Pictures", "Video", seen));
        if (!titles.isEmpty()) {
            List<String> over = new ArrayList<>(List.of(gap(30)));
            titles.forEach(title -> over.add(clip(title, 60)));
            tracks.add(track("Titles", "Video", over));
        }
        if (!sounds.isEmpty()) {
            tracks.add(track("Voice", "Audio",
                    Stream.concat(Stream.of(gap(60)),
                            sounds.stream().filter(sound -> sound.contains("voice")).map(sound -> clip(sound, 30)))
                            .toList()));
            tracks.add(track("Market", "Audio",
                    sounds.stream().filter(sound -> !sound.contains("voice")).flatMap(sound -> Stream.of(clip(sound, 30), gap(15)))
                            .toList()));
        }
        files.put(path, text("{\"OTIO_SCHEMA\": \"Timeline.1\", \"name\": \"night market\", \"global_start_time\": " + time(0)
                + ", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": [\n" + String.join(",\n", tracks) + "]}}\n"));
    }

    private static boolean isSound(String target) {
        return target.endsWith(".wav");
    }

    private static String track(String name, String kind, List<String> children) {
        return "{\"OTIO_SCHEMA\": \"Track.1\", \"name\": \"" + name + "\", \"kind\": \"" + kind + "\", \"children\": [\n"
                + String.join(",\n", children) + "]}";
    }

    private static String time(int frames) {
        return "{\"OTIO_SCHEMA\": \"RationalTime.1\", \"rate\": 30, \"value\": " + frames + "}";
    }

    private static String range(int frames) {
        return "\"source_range\": {\"OTIO_SCHEMA\": \"TimeRange.1\", \"start_time\": " + time(0) + ", \"duration\": " + time(frames)
                + "}";
    }

    private static String gap(int frames) {
        return "{\"OTIO_SCHEMA\": \"Gap.1\", " + range(frames) + "}";
    }

    private static String clip(String target, int frames) {
        String plain = target.replace('\\', '/');
        String name = plain.substring(plain.lastIndexOf('/') + 1).replaceFirst("\\.\\w+$", "");
        return "{\"OTIO_SCHEMA\": \"Clip.1\", \"name\": \"" + name + "\", " + range(frames)
                + ", \"media_reference\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + target.replace("\\", "\\\\")
                + "\"}}";
    }

    /** Packed under its root. */
    byte[] zip() {
        return zip(root + "/");
    }

    /** Packed under any prefix: the empty one for loose files, a longer one for a wrapped root. */
    byte[] zip(String prefix) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                ZipEntry entry = new ZipEntry(prefix + file.getKey());
                entry.setTimeLocal(LocalDateTime.of(2026, 11, 20, 18, 0));
                zip.putNextEntry(entry);
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    String root() {
        return root;
    }

    private static byte[] text(String content) {
        return content.getBytes(StandardCharsets.UTF_8);
    }
}
