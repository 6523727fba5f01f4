package org.opensatchel.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.hash.Sha256;

/** A folder sent file by file reads like the folder itself. */
class HashedSourceTest {

    @TempDir
    private Path folder;

    private HashedSource source(String listing, String... contents) throws IOException {
        Path list = Files.writeString(folder.resolve("list.json"), listing);
        Map<String, byte[]> held = new java.util.HashMap<>();
        for (String content : contents) {
            byte[] bytes = content.getBytes(StandardCharsets.UTF_8);
            held.put(Sha256.of(bytes), bytes);
        }
        return new HashedSource(list, hash -> new ByteArrayInputStream(held.get(hash)));
    }

    private static String hash(String content) {
        return Sha256.of(content.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void eachFileHasTheContentOfItsHash() throws IOException {
        HashedSource source = source("""
                {"listing": 1, "root": "Fern", "files": [
                 {"path": "notes/b.txt", "bytes": 3, "sha256": "%s"},
                 {"path": "a.txt", "bytes": 3, "sha256": "%s"},
                 {"path": "empty.txt", "bytes": 0}], "folders": ["spare"], "emptyFolders": false}
                """.formatted(hash("bee"), hash("ant").toUpperCase(java.util.Locale.ROOT)), "ant", "bee");
        SourceListing listed = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing();
        assertThat(listed.name()).contains("Fern");
        assertThat(listed.seesEmpty()).isFalse();
        assertThat(listed.files()).extracting(entry -> {
            try (var content = source.open(entry)) {
                return entry.path() + ": " + new String(content.readAllBytes(), StandardCharsets.UTF_8) + " " + source.hasContent(entry);
            }
        }).containsExactly("a.txt: ant true", "empty.txt:  true", "notes/b.txt: bee true");
    }

    @Test
    void aFileWithoutAHashHasNoContent() throws IOException {
        HashedSource source = source("{\"listing\": 1, \"files\": [{\"path\": \"a.txt\", \"bytes\": 3}]}");
        SourceListing listed = ((Intake.Opened) source.list(ReadLimits.DEFAULT)).listing();
        assertThat(source.hasContent(listed.files().get(0))).isFalse();
    }
}
