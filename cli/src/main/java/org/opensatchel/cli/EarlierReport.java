package org.opensatchel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.report.Report.SealedLine;
import org.opensatchel.core.report.ReportJson;
import tools.jackson.core.JacksonException;

/** The report of an earlier hand-in, of which only the files of sealed folders are read. */
final class EarlierReport {

    /** The report of a project of a million links stays below. */
    private static final int MOST_BYTES = 512 << 20;

    private EarlierReport() {
    }

    static List<SealedFile> sealed(String given) throws Refusal {
        try {
            Path path = Path.of(given);
            if (!Files.isRegularFile(path) || Files.size(path) > MOST_BYTES) {
                throw new Refusal("earlier.unusable", given);
            }
            try (InputStream in = Files.newInputStream(path)) {
                return ReportJson.readSealed(in).stream().map(SealedLine::file).toList();
            }
        } catch (InvalidPathException | IOException | JacksonException unreadable) {
            throw new Refusal("earlier.unusable", given);
        }
    }
}
