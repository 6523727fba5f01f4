package org.opensatchel.core.project;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Archives for tests. */
public final class Zips {

    private Zips() {
    }

    /** A ZIP of texts by their names; a name that ends in a slash is a folder. */
    public static Path of(Path folder, Map<String, String> members) throws IOException {
        Path zip = Files.createTempFile(folder, "test", ".zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            for (Map.Entry<String, String> member : members.entrySet()) {
                out.putNextEntry(new ZipEntry(member.getKey()));
                out.write(member.getValue().getBytes(StandardCharsets.UTF_8));
                out.closeEntry();
            }
        }
        return zip;
    }
}
