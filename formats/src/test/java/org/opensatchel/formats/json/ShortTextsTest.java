package org.opensatchel.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.JsonNode;

/** Long strings lose their end and nothing else, wherever the cut falls. */
class ShortTextsTest {

    private static String through(String json, int most, Charset charset) throws IOException {
        return new String(new ShortTexts(new ByteArrayInputStream(json.getBytes(charset)), most).readAllBytes(), charset);
    }

    @ParameterizedTest
    @ValueSource(strings = {"{\"a\": \"0123456789\", \"b\": [\"é€𝄞é€𝄞é€𝄞\", 12345678901234567890]}",
            "{\"a\": \"x\\\\\\\\\\\"\\u00e9\\ud834\\udd1e\\n\\\"y\", \"long key and longer\": \"\"}"})
    void theCutNeverFallsIntoASign(String json) throws IOException {
        JsonNode whole = JsonDocuments.MAPPER.readTree(json);
        for (int most = 4; most < 60; most++) {
            String cut = through(json, most, StandardCharsets.UTF_8);
            JsonNode read = JsonDocuments.MAPPER.readTree(cut);
            assertThat(cut).doesNotContain("\uFFFD");
            assertThat(read.size()).isEqualTo(whole.size());
            assertThat(whole.get("a").stringValue()).startsWith(read.get("a").stringValue());
        }
        assertThat(through(json, 100, StandardCharsets.UTF_8)).isEqualTo(json);
    }

    @Test
    void wideTextsGoThroughAsTheyAre() throws IOException {
        String json = "{\"a\": \"0123456789\"}";
        for (Charset charset : new Charset[]{StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, Charset.forName("UTF-32LE"),
                StandardCharsets.UTF_16}) {
            assertThat(through(json, 4, charset)).isEqualTo(json);
        }
    }

    @Test
    void whatFollowsALongTextIsRead() throws IOException {
        String json = "{\"a\": \"" + "x".repeat(300_000) + "\", \"b\": \"after\"}";
        assertThat(through(json, 5, StandardCharsets.UTF_8)).isEqualTo("{\"a\": \"xxxxx\", \"b\": \"after\"}");
    }
}
