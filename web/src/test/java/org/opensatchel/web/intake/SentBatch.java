package org.opensatchel.web.intake;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A batch as a course system packs it. */
final class SentBatch {

    private SentBatch() {
    }

    static byte[] zip(Object... entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < entries.length; i += 2) {
                zip.putNextEntry(new ZipEntry((String) entries[i]));
                zip.write(entries[i + 1] instanceof byte[] bytes ? bytes : ((String) entries[i + 1]).getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    static byte[] project(String last, String first) throws IOException {
        String root = "MOV120_A2_" + last + "_" + first + "/";
        return zip(root + "satchel.kit.json", "{\"marker\": 1, \"kit\": {\"title\": \"x\", \"version\": 1, \"sha256\": \"" + "0".repeat(64)
                + "\"}, \"for\": {\"last\": \"" + last + "\", \"first\": \"" + first + "\"}}", root + "story/a.txt", "x");
    }
}
