package org.opensatchel.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Makes listings of large projects, with the timelines that link their files. */
final class Listings {

    private static final int LINKS_EACH = 500;
    private static final int FOLDERS = 40;

    private Listings() {
    }

    /**
     * A listing of so many clips in 40 folders, in the order of a walk through them or in no order at all.
     *
     * @param broken whether all links name files that are not there
     */
    static Path make(Path folder, int files, int links, boolean shuffled, boolean broken) throws IOException {
        Path documents = Files.createDirectories(folder.resolve("documents/edit"));
        List<String> lines = new ArrayList<>();
        for (int d = 0; d < links / LINKS_EACH; d++) {
            int document = d;
            String text = timeline(IntStream.range(0, LINKS_EACH).map(i -> document * LINKS_EACH + i)
                    .mapToObj(i -> "../footage/day " + i % FOLDERS + (broken ? "/plate_" : "/clip_") + i + ".mp4"));
            Files.writeString(documents.resolve("cut_" + d + ".otio"), text);
            lines.add("{\"path\": \"edit/cut_" + d + ".otio\", \"bytes\": " + text.getBytes(StandardCharsets.UTF_8).length + "}");
        }
        for (int day = 0; day < FOLDERS; day++) {
            for (int i = day; i < files - links / LINKS_EACH; i += FOLDERS) {
                lines.add("{\"path\": \"footage/day " + day + "/clip_" + i + ".mp4\", \"bytes\": " + (1_000_000 + i) + ", \"sha256\": \""
                        + String.format("%064x", i) + "\"}");
            }
        }
        if (shuffled) {
            Collections.shuffle(lines, new Random(1));
        }
        Files.writeString(folder.resolve("listing.json"),
                "{\"listing\": 1, \"root\": \"Project\", \"files\": [\n" + String.join(",\n", lines) + "\n]}");
        return folder;
    }

    static String timeline(Stream<String> targets) {
        return "{\"OTIO_SCHEMA\": \"Timeline.1\", \"all\": ["
                + targets.map(target -> "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + target + "\"}")
                        .collect(Collectors.joining(",\n"))
                + "]}";
    }
}
