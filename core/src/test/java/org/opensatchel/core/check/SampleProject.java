package org.opensatchel.core.check;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A clean project that fits its kit, in memory, to be spoilt and then written as a folder, an archive or a listing. */
public final class SampleProject {

    public static final String ROOT = "MOV120_A2_Marsh_Ottoline";
    public static final byte[] BELL = wav(1);

    final Map<String, byte[]> files = new TreeMap<>();
    String root = ROOT;

    public static SampleProject clean() {
        SampleProject project = new SampleProject();
        for (int i = 1; i <= 3; i++) {
            project.files.put("footage/stall_0" + i + ".mp4", mp4(i));
        }
        project.files.put("sound/market-bell.wav", BELL);
        project.files.put("sound/hum.wav", wav(2));
        project.files.put("titles/grain.png", png(1));
        project.files.put("titles/lantern.png", png(2));
        project.put("titles/titles.svg",
                "<svg xmlns=\"http://www.w3.org/2000/svg\"><image href=\"grain.png\"/><image href=\"lantern.png\"/></svg>");
        project.put("story/board.csv", "shot,what\n");
        project.timeline("edit/Marsh_A2_v01.otio", "../footage/stall_01.mp4", "../sound/market-bell.wav");
        project.timeline("edit/Marsh_A2_v02.otio", "../footage/stall_01.mp4", "../footage/stall_02.mp4", "../footage/stall_03.mp4",
                "../sound/market-bell.wav", "../sound/hum.wav", "../titles/titles.svg");
        project.put("edit/autosave/anything at all.tmp", "kept by a program");
        project.files.put("delivery/Marsh_A2_final.mp4", mp4(9));
        project.put("satchel.kit.json",
                "{\"marker\": 1, \"kit\": {\"title\": \"x\", \"version\": 3}, \"for\": {\"last\": \"Marsh\", \"first\": \"Ottoline\", \"course\": \"MOV 120\", \"assignment\": \"A2\"}}");
        project.put("START-HERE.html", "<!DOCTYPE html><title>Start here</title>");
        return project;
    }

    public static String kit() {
        return """
                {"kit": 1, "title": "Night Market Ident", "version": 3, "assignment": "A2", "root": {"name": "{course}_{assignment}_{last}_{first}"},
                 "names": {"spaces": "forbid", "letters": "any", "maxLength": 60, "portable": true, "ascii": false, "avoid": ["untitled", "final_final", "copy"]},
                 "folders": [
                  {"path": "story", "purpose": "Boards", "need": "required", "accepts": ["pdf", "svg", "odt", "csv"], "atLeast": 1},
                  {"path": "footage", "purpose": "Clips", "need": "required", "accepts": ["mp4", "mov"], "sealed": true},
                  {"path": "sound", "purpose": "Music", "need": "required", "accepts": ["wav", "flac"]},
                  {"path": "titles", "purpose": "Titles", "need": "optional", "accepts": ["png", "svg"]},
                  {"path": "shots/{word}", "purpose": "Shots", "need": "optional", "repeats": {"atLeast": 2}},
                  {"path": "edit", "purpose": "Timelines", "need": "required", "accepts": ["otio"]},
                  {"path": "edit/autosave", "purpose": "Program", "need": "optional", "managed": true},
                  {"path": "scrap", "purpose": "Never", "need": "forbidden"},
                  {"path": "delivery", "purpose": "Film", "need": "required", "accepts": ["mp4"]}],
                 "otherFolders": "note",
                 "companions": [{"name": "Take Store", "purpose": "Program", "need": "optional", "managed": true}],
                 "documents": [{"role": "Timeline", "in": "edit", "name": "{last}_{assignment}_v{version:2}", "types": ["otio"], "need": "required", "versions": 2, "maxLength": 40}],
                 "files": [{"role": "Finished film", "in": "delivery", "name": "{last}_{assignment}_final", "types": ["mp4"], "need": "required"}],
                 "starter": [{"path": "sound/market-bell.wav", "sha256": "%s", "bytes": %d, "treat": "keep"}],
                 "location": {"storage": ["removable", "local"], "avoid": ["desktop", "downloads", "temporary", "synced"], "maxRootLength": 80},
                 "machines": ["lab-windows", "render-linux"]}"""
                .formatted(sha256(BELL), BELL.length);
    }

    public SampleProject put(String path, String text) {
        files.put(path, text.getBytes(StandardCharsets.UTF_8));
        return this;
    }

    public SampleProject put(String path, byte[] content) {
        files.put(path, content);
        return this;
    }

    public SampleProject named(String name) {
        root = name;
        return this;
    }

    public SampleProject remove(String path) {
        files.keySet().removeIf(file -> file.equals(path) || file.startsWith(path + "/"));
        return this;
    }

    public SampleProject move(String from, String to) {
        Map<String, byte[]> moved = new TreeMap<>();
        files.forEach((path, content) -> moved
                .put(path.equals(from) || path.startsWith(from + "/") ? to + path.substring(from.length()) : path, content));
        files.clear();
        files.putAll(moved);
        return this;
    }

    public SampleProject timeline(String path, String... targets) {
        return put(path, "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": [" + Arrays.stream(targets)
                .map(target -> "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + target.replace("\\", "\\\\") + "\"}")
                .collect(Collectors.joining(",")) + "]}");
    }

    public SampleProject links(String... targets) {
        return timeline("edit/Marsh_A2_v02.otio", targets);
    }

    public Path folder(Path parent) {
        try {
            Path top = parent.resolve(root);
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                Path path = top.resolve(file.getKey());
                Files.createDirectories(path.getParent());
                Files.write(path, file.getValue());
            }
            return top;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public Path zip(Path parent, String prefix) {
        try {
            Path zip = Files.createTempFile(parent, "project", ".zip");
            try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
                for (Map.Entry<String, byte[]> file : files.entrySet()) {
                    out.putNextEntry(new ZipEntry(prefix + file.getKey()));
                    out.write(file.getValue());
                    out.closeEntry();
                }
            }
            return zip;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    Path listing(Path parent) {
        List<String> entries = files.entrySet().stream().map(file -> "{\"path\": \"" + file.getKey() + "\", \"bytes\": "
                + file.getValue().length + ", \"sha256\": \"" + sha256(file.getValue()) + "\"}").toList();
        try {
            return Files.writeString(Files.createTempFile(parent, "listing", ".json"),
                    "{\"listing\": 1, \"root\": \"" + root + "\", \"files\": [" + String.join(",\n", entries) + "]}");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public static byte[] png(int seed) {
        byte[] png = new byte[64 + seed];
        System.arraycopy(new byte[]{(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0, 13, 'I', 'H', 'D', 'R'}, 0, png, 0, 16);
        png[40] = (byte) seed;
        return png;
    }

    public static byte[] mp4(int seed) {
        byte[] mp4 = new byte[80];
        System.arraycopy("\0\0\0\30ftypisom".getBytes(StandardCharsets.ISO_8859_1), 0, mp4, 0, 12);
        mp4[60] = (byte) seed;
        return mp4;
    }

    public static byte[] wav(int seed) {
        byte[] wav = new byte[90];
        System.arraycopy("RIFF\0\0\0\0WAVEfmt ".getBytes(StandardCharsets.ISO_8859_1), 0, wav, 0, 16);
        wav[70] = (byte) seed;
        return wav;
    }

    public static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
