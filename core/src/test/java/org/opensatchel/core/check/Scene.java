package org.opensatchel.core.check;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.junit.jupiter.params.provider.Arguments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;

/**
 * A small project from real life, written as lists of files ({@code path = content}), and what should be told of it. What must or should
 * be fixed is named in full; of what is only worth knowing, as much as the scene names.
 */
final class Scene {

    private static final RosterFields MARSH = new RosterFields(
            Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline", RosterField.COURSE, "MOV 120", RosterField.ASSIGNMENT, "A2"));

    private final String name;
    private final Map<String, byte[]> files = new LinkedHashMap<>();
    private final List<String> wanted = new ArrayList<>();
    private Optional<Kit> kit = Optional.empty();
    private Optional<String> location = Optional.empty();
    private Optional<Charset> zip = Optional.empty();
    private String root = "Project";

    private Scene(String name) {
        this.name = name;
    }

    static Scene of(String name, String... files) {
        return new Scene(name).with(files);
    }

    Scene with(String... more) {
        for (String file : more) {
            int at = file.indexOf(" = ");
            files.put(file.substring(0, at), file.substring(at + 3).getBytes(StandardCharsets.UTF_8));
        }
        return this;
    }

    Scene with(String path, byte[] content) {
        files.put(path, content);
        return this;
    }

    /** The parts of a kit that differ from one without any rule. */
    Scene kit(String parts) {
        KitReading reading = KitReader
                .read(("{\"kit\": 1, \"title\": \"Kit\", \"version\": 1, \"root\": {\"name\": \"Project\"}, " + parts + "}")
                        .getBytes(StandardCharsets.UTF_8));
        kit = Optional.of(reading.kit().orElseThrow(() -> new IllegalArgumentException(name + ": " + reading)));
        return this;
    }

    Scene at(String path) {
        location = Optional.of(path);
        return this;
    }

    Scene root(String folder) {
        root = folder;
        return this;
    }

    /** As an archive whose names are written in a code page, without saying so. */
    Scene zipped(String codePage) {
        zip = Optional.of(Charset.forName(codePage));
        return this;
    }

    /** Nothing must or should be fixed, and nothing but these is said. */
    Arguments clean(String... notes) {
        return finds(Stream.of(notes).map(note -> "note " + note).toArray(String[]::new));
    }

    Arguments finds(String... findings) {
        wanted.addAll(List.of(findings));
        return Arguments.of(this);
    }

    boolean has(String path) {
        return files.containsKey(path);
    }

    List<String> wanted() {
        return wanted.stream().sorted().toList();
    }

    Report check(Path temp) throws IOException {
        CheckRequest request = CheckRequest.of(kit, kit.isPresent() ? MARSH : RosterFields.NONE)
                .located(location.map(ProjectLocation::of));
        try (ProjectSource source = zip.isPresent() ? ZipSource.open(archive(temp, zip.get())) : new FolderSource(folder(temp))) {
            return new ProjectCheck(request).run(source);
        }
    }

    /** What was told, of what is worth knowing only what was named. */
    List<String> told(Report report) {
        return report.findings().stream().map(finding -> finding.severity() + " " + finding.code() + " " + finding.path())
                .filter(line -> !line.startsWith("note ") || wanted.contains(line)).sorted()
                .collect(ArrayList::new, (list, line) -> {
                    // Of what is worth knowing it matters that it is said.
                    if (!line.startsWith("note ") || !list.contains(line)) {
                        list.add(line);
                    }
                }, ArrayList::addAll);
    }

    private Path folder(Path temp) {
        try {
            Path top = Files.createDirectory(temp.resolve(root));
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                Path path = top.resolve(file.getKey());
                if (file.getKey().endsWith("/")) {
                    Files.createDirectories(path);
                } else {
                    Files.createDirectories(path.getParent());
                    Files.write(path, file.getValue());
                }
            }
            return top;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private Path archive(Path temp, Charset codePage) throws IOException {
        Path path = temp.resolve("project.zip");
        try (ZipArchiveOutputStream out = new ZipArchiveOutputStream(path)) {
            out.setEncoding(codePage.name());
            out.setUseLanguageEncodingFlag(false);
            out.setCreateUnicodeExtraFields(ZipArchiveOutputStream.UnicodeExtraFieldPolicy.NEVER);
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                out.putArchiveEntry(new ZipArchiveEntry(root + "/" + file.getKey()));
                out.write(file.getValue());
                out.closeArchiveEntry();
            }
        }
        return path;
    }

    @Override
    public String toString() {
        return name;
    }
}
