package org.opensatchel.web.drive;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.pack.KitLoader;
import org.opensatchel.core.pack.KitLoader.DriveFormat;
import org.opensatchel.web.storage.SatchelProperties;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The drives that are plugged in: a stand-in with a folder for each, which tells its label, its capacity and its format in a
 * {@code drive.json} beside its content. A real bay would list the system's removable drives here.
 */
@Component
public class Bay {

    private static final String CONTENT = "content";
    private static final List<String> FIRST = List.of("SATCHEL-01 exFAT 64000000000", "SATCHEL-02 exFAT 64000000000",
            "SATCHEL-03 FAT32 32000000000", "SATCHEL-04 FAT32 8000000000", "OLD-STICK FAT32 300000");

    private final Path folder;

    Bay(SatchelProperties properties) {
        this.folder = properties.drives().toAbsolutePath();
    }

    /** A drive in the bay, and what is on it. */
    record Slot(String label, DriveFormat format, long capacity, long used, List<String> roots, String course, Path content) {
        public long free() {
            return Math.max(0, capacity - used);
        }

        KitLoader.Drive drive() {
            return new KitLoader.Drive(label, content, format, free());
        }
    }

    /** The drives that are a course's or nobody's yet, by their label. */
    List<Slot> slots(String course) {
        return slots().stream().filter(slot -> slot.course().isEmpty() || slot.course().equals(course)).toList();
    }

    Optional<Slot> slot(String label, String course) {
        return slots(course).stream().filter(slot -> slot.label().equals(label)).findFirst();
    }

    /** Gives a drive that is nobody's yet to a course: what is on it is that course's. */
    synchronized void give(Slot slot, String course) {
        Path told = slot.content().resolveSibling("drive.json");
        try {
            ObjectNode drive = (ObjectNode) JsonDocuments.MAPPER.readTree(Files.readAllBytes(told));
            Path fresh = told.resolveSibling("drive.json.new");
            Files.write(fresh, JsonDocuments.MAPPER.writeValueAsBytes(drive.put("course", course)));
            Files.move(fresh, told, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException unreadable) {
            throw new UncheckedIOException("the drive " + slot.label() + " cannot be given to a course", unreadable);
        }
    }

    /**
     * For the demo: a course's drive with a project on it, as somebody brings it.
     *
     * @param files what is in it, by paths of names separated by {@code /}; a folder with one at its end
     */
    public void bring(String label, String course, String root, Map<String, byte[]> files) {
        Slot slot = slot(label, course).orElseThrow();
        give(slot, course);
        try {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                Path path = slot.content().resolve(root).resolve(file.getKey());
                Files.createDirectories(file.getKey().endsWith("/") ? path : path.getParent());
                if (!file.getKey().endsWith("/")) {
                    Files.write(path, file.getValue());
                }
            }
        } catch (IOException full) {
            throw new UncheckedIOException("the demo's drive " + label + " cannot be written", full);
        }
    }

    /** Every drive, by its label; one that cannot be read is left out. */
    private List<Slot> slots() {
        List<Slot> out = new ArrayList<>();
        try {
            if (!Files.isDirectory(folder)) {
                plugIn();
            }
            try (DirectoryStream<Path> drives = Files.newDirectoryStream(folder,
                    path -> Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS))) {
                for (Path drive : drives) {
                    slot(drive).ifPresent(out::add);
                }
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException("the drives cannot be listed", unreadable);
        }
        out.sort(Comparator.comparing(Slot::label));
        return out;
    }

    private void plugIn() throws IOException {
        for (String line : FIRST) {
            String[] words = line.split(" ");
            Path drive = Files.createDirectories(folder.resolve(words[0]));
            Files.createDirectories(drive.resolve(CONTENT));
            Files.write(drive.resolve("drive.json"), JsonDocuments.MAPPER.writeValueAsBytes(JsonDocuments.MAPPER.createObjectNode()
                    .put("label", words[0]).put("format", words[1]).put("capacity", Long.parseLong(words[2]))));
        }
    }

    private static Optional<Slot> slot(Path drive) throws IOException {
        Path content = drive.resolve(CONTENT);
        if (!Files.isRegularFile(drive.resolve("drive.json")) || !Files.isDirectory(content)) {
            return Optional.empty();
        }
        try {
            JsonNode told = JsonDocuments.MAPPER.readTree(Files.readAllBytes(drive.resolve("drive.json")));
            DriveFormat format = told.path("format").asString("").equals("FAT32") ? DriveFormat.FAT32 : DriveFormat.EXFAT;
            List<String> roots = new ArrayList<>();
            try (DirectoryStream<Path> inside = Files.newDirectoryStream(content)) {
                inside.forEach(path -> roots.add(path.getFileName().toString()));
            }
            roots.removeIf(name -> name.startsWith("."));
            roots.sort(Comparator.naturalOrder());
            return Optional.of(new Slot(told.path("label").asString(drive.getFileName().toString()), format,
                    told.path("capacity").asLong(0), KitLoader.used(content), roots, told.path("course").asString(""), content));
        } catch (JacksonException | NoSuchFileException unplugged) {
            return Optional.empty();
        }
    }
}
