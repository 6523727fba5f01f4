package org.opensatchel.web.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
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

    private DemoProject(String root, String last, int seed) {
        this.root = root;
        this.last = last;
        this.seed = seed;
    }

    /** A clean project under its right name. */
    static DemoProject clean(String root, String last, int seed) {
        DemoProject project = new DemoProject(root, last, seed);
        for (int i = 0; i < CLIPS.size(); i++) {
            project.files.put("footage/" + CLIPS.get(i) + ".mp4", DemoMedia.mp4(seed * 50 + i, 320, 180, 3, 30));
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
        project.files.put("delivery/" + last + "_A2_final.mp4", DemoMedia.mp4(seed * 50 + 40, 1280, 720, 12, 30));
        project.links.addAll(List.of("../sound/market-bell.wav", "../sound/hum.wav", "../sound/voice_take4.wav", "../titles/titles.svg"));
        project.timeline("edit/" + last + "_A2_v01.otio", project.links.subList(0, 4));
        project.timeline("edit/" + last + "_A2_v02.otio", project.links);
        return project;
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

    private void timeline(String path, List<String> targets) {
        String clips = targets.stream().map(DemoProject::clip).collect(Collectors.joining(",\n"));
        files.put(path, text(
                "{\"OTIO_SCHEMA\": \"Timeline.1\", \"name\": \"night market\", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": [\n"
                        + "{\"OTIO_SCHEMA\": \"Track.1\", \"kind\": \"Video\", \"children\": [\n" + clips + "]}]}}\n"));
    }

    private static String clip(String target) {
        return "{\"OTIO_SCHEMA\": \"Clip.1\", \"name\": \"clip\", \"media_reference\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \""
                + target.replace("\\", "\\\\") + "\"}}";
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
