package org.opensatchel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.core.pack.KitPackage;
import org.opensatchel.core.project.ReadLimits;

/** Opens what is given as a kit: a kit document, with its starter files in a folder, or a kit package that holds both. */
final class KitFiles implements AutoCloseable {

    private final Kit kit;
    private final String sha256;
    private final Optional<StarterContents> contents;
    private final Optional<KitPackage> kitPackage;

    private KitFiles(Kit kit, byte[] document, Optional<StarterContents> contents, Optional<KitPackage> kitPackage) {
        this.kit = kit;
        this.sha256 = Sha256.of(document);
        this.contents = contents;
        this.kitPackage = kitPackage;
    }

    static KitFiles open(String file, Optional<String> starter) throws Refusal, IOException {
        Path path = file(file);
        if (isZip(path)) {
            KitPackage.Reading reading = KitPackage.open(path, ReadLimits.DEFAULT);
            KitPackage whole = reading.kitPackage()
                    .orElseThrow(() -> new Refusal("kit.unusable", file, new Refusal.Phrases(reading.faults(), " ")));
            return new KitFiles(whole.kit(), KitWriter.write(whole.kit()), Optional.of(whole), Optional.of(whole));
        }
        byte[] json = bytes(path, file, KitReader.MAX_BYTES);
        Kit kit = read(json, file);
        return new KitFiles(kit, json, starter.isEmpty() ? Optional.empty() : Optional.of(folder(starter.get())), Optional.empty());
    }

    /** The kit alone. */
    static Kit document(String file, int mostBytes) throws Refusal {
        return read(bytes(file(file), file, mostBytes), file);
    }

    private static Path file(String file) throws Refusal {
        try {
            Path path = Path.of(file);
            if (!Files.isRegularFile(path)) {
                throw new Refusal("kit.no-file", file);
            }
            return path;
        } catch (InvalidPathException impossible) {
            throw new Refusal("kit.unreadable", file);
        }
    }

    private static boolean isZip(Path path) throws IOException {
        try (InputStream in = Files.newInputStream(path)) {
            byte[] head = in.readNBytes(4);
            return head.length == 4 && head[0] == 'P' && head[1] == 'K';
        }
    }

    private static byte[] bytes(Path path, String file, int most) throws Refusal {
        byte[] json;
        try (InputStream in = Files.newInputStream(path)) {
            json = in.readNBytes(KitReader.MAX_BYTES + 1);
        } catch (IOException unreadable) {
            throw new Refusal("kit.unreadable", file);
        }
        if (json.length > most) {
            throw new Refusal("kit.large", file, most);
        }
        return json;
    }

    private static Kit read(byte[] json, String file) throws Refusal {
        KitReading reading = KitReader.read(json);
        return reading.kit().orElseThrow(
                () -> new Refusal("kit.unusable", file, new Refusal.Phrases(reading.faults().stream().map(JsonFault::said).toList(), " ")));
    }

    private static StarterContents folder(String text) throws Refusal {
        Path folder;
        try {
            folder = Path.of(text);
        } catch (InvalidPathException impossible) {
            throw new Refusal("path.impossible", text);
        }
        if (!Files.isDirectory(folder)) {
            throw new Refusal("kit.no-folder", text);
        }
        return file -> {
            Path path = folder.resolve(file.path().text());
            // What only points elsewhere is no starter file: a link is never followed.
            if (!Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS)) {
                throw new NoSuchFileException(path.toString());
            }
            return Files.newInputStream(path, LinkOption.NOFOLLOW_LINKS);
        };
    }

    Kit kit() {
        return kit;
    }

    /** The hash of the document as it was given. */
    String sha256() {
        return sha256;
    }

    Optional<StarterContents> contents() {
        return contents;
    }

    @Override
    public void close() throws IOException {
        if (kitPackage.isPresent()) {
            kitPackage.get().close();
        }
    }
}
