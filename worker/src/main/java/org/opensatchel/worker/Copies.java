package org.opensatchel.worker;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.opensatchel.core.pack.ProjectCopy;
import org.opensatchel.core.pack.ZipWriter;
import org.opensatchel.core.project.ProjectSource;

/** Projects on their way to who grades them: each written under the name its root should have, then all as one archive. */
final class Copies {

    private Copies() {
    }

    /** Writes a project as an archive; one that cannot be opened goes along as it came. */
    static Copied copy(Errand.Copy copy, ProjectSource source) throws IOException {
        Path to = Path.of(copy.to());
        try (OutputStream out = Target.open(to, copy.mostBytes()); ZipWriter zip = new ZipWriter(out, false)) {
            ProjectCopy.Copied copied = new ProjectCopy(copy.project().limits()).copy(source, WorkOrder.kitIn(copy.kit()),
                    WorkOrder.fields(copy.fields()), copy.root(), zip);
            if (!copied.readable()) {
                try (InputStream content = Files.newInputStream(Path.of(copy.project().archive()))) {
                    zip.file(copy.root() + "/" + copy.asItCame(), content::transferTo);
                }
            }
            return new Copied(copied.readable(), copied.left(), false);
        } catch (IOException broken) {
            return full(to, broken);
        }
    }

    /** That there was no room, if that is why. */
    private static Copied full(Path to, IOException broken) throws IOException {
        if (broken instanceof Target.TooLarge || Target.isFull(to)) {
            return new Copied(true, List.of(), true);
        }
        throw broken;
    }

    /** Puts archives into one, each deleted once it is in it, so that there is room for little more than one of them. */
    static Copied join(Errand.Join join) throws IOException {
        Path to = Path.of(join.to());
        try (OutputStream out = Target.open(to, Long.MAX_VALUE);
                ZipArchiveOutputStream zip = new ZipArchiveOutputStream(out)) {
            zip.setEncoding(StandardCharsets.UTF_8.name());
            zip.setUseLanguageEncodingFlag(true);
            zip.setUseZip64(Zip64Mode.AsNeeded);
            for (String part : join.parts()) {
                try (ZipFile archive = ZipFile.builder().setPath(part).get()) {
                    for (ZipArchiveEntry entry : Collections.list(archive.getEntriesInPhysicalOrder())) {
                        zip.addRawArchiveEntry(entry, archive.getRawInputStream(entry));
                    }
                }
                Files.delete(Path.of(part));
            }
            if (!join.note().isEmpty()) {
                byte[] note = join.note().getBytes(StandardCharsets.UTF_8);
                zip.putArchiveEntry(new ZipArchiveEntry("NOT-COPIED.txt"));
                zip.write(note);
                zip.closeArchiveEntry();
            }
            return new Copied(true, List.of(), false);
        } catch (IOException broken) {
            return full(to, broken);
        }
    }
}
