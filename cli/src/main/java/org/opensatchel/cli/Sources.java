package org.opensatchel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;

/** Opens what is given as PROJECT: a folder, or a file that is an archive or, by its content, a listing. */
final class Sources {

    record Opened(ProjectSource source, boolean hasDocuments) {}

    private Sources() {
    }

    static Opened open(String project, Optional<String> documents) throws Refusal, IOException {
        Path path = path(project);
        if (Files.isDirectory(path)) {
            return new Opened(folder(path, project), true);
        }
        if (!looksLikeListing(path, project)) {
            return new Opened(archive(path, project), true);
        }
        Optional<ProjectSource> beside = Optional.empty();
        if (documents.isPresent()) {
            Path place = path(documents.get());
            beside = Optional.of(Files.isDirectory(place) ? folder(place, documents.get()) : archive(place, documents.get()));
        }
        return new Opened(new ListingSource(path, beside), beside.isPresent());
    }

    /** Whether something is given that could be a file or folder here, and is not there. */
    static boolean isAbsent(String project) {
        try {
            path(project);
            return false;
        } catch (Refusal refusal) {
            return refusal.is("source.absent");
        }
    }

    private static Path path(String text) throws Refusal {
        if (text.isBlank()) {
            throw new Refusal("source.nameless");
        }
        if (text.equals("-") || text.matches("[A-Za-z][A-Za-z0-9+.-]+://.*")) {
            throw new Refusal("source.elsewhere", text);
        }
        try {
            Path path = Path.of(text);
            if (!Files.exists(path)) {
                throw new Refusal("source.absent", text);
            }
            if (!Files.isDirectory(path) && !Files.isRegularFile(path)) {
                throw new Refusal("source.device", text);
            }
            return path;
        } catch (InvalidPathException impossible) {
            throw new Refusal("path.impossible", text);
        }
    }

    private static ProjectSource folder(Path path, String text) throws Refusal {
        try {
            Files.newDirectoryStream(path).close();
            return new FolderSource(path);
        } catch (IOException refused) {
            throw new Refusal("source.refused", text);
        }
    }

    private static ProjectSource archive(Path path, String text) throws Refusal {
        try {
            return ZipSource.open(path);
        } catch (IOException refused) {
            throw new Refusal("source.refused", text);
        }
    }

    private static boolean looksLikeListing(Path path, String text) throws Refusal {
        try (InputStream in = Files.newInputStream(path)) {
            byte[] head = in.readNBytes(64);
            for (byte b : head) {
                boolean skipped = b == ' ' || b == '\t' || b == '\n' || b == '\r' || (b & 0xFF) == 0xEF || (b & 0xFF) == 0xBB
                        || (b & 0xFF) == 0xBF;
                if (!skipped) {
                    return b == '{' || b == '[' || path.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".json");
                }
            }
            return path.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".json");
        } catch (IOException refused) {
            throw new Refusal("source.refused", text);
        }
    }
}
