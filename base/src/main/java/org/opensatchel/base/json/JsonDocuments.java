package org.opensatchel.base.json;

import static org.opensatchel.base.fact.FactName.COLUMN;
import static org.opensatchel.base.fact.FactName.LINE;

import org.opensatchel.base.fact.Facts;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * JSON (RFC 8259) as this product reads and writes it: bounded depth and length, nothing after the end, the last of
 * duplicate keys wins.
 */
public final class JsonDocuments {

    /** Deepest nesting of arrays and objects that is read. */
    public static final int MAX_DEPTH = 1_000;
    private static final int MAX_STRING = 64 << 20;

    private static final StreamReadConstraints CONSTRAINTS = StreamReadConstraints.builder()
            .maxNestingDepth(MAX_DEPTH).maxStringLength(MAX_STRING).maxNameLength(1 << 16).maxNumberLength(1_000).build();

    public static final JsonFactory FACTORY = JsonFactory.builder()
            .streamReadConstraints(CONSTRAINTS)
            .disable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
            .disable(StreamWriteFeature.AUTO_CLOSE_TARGET)
            .disable(JsonReadFeature.ALLOW_NON_NUMERIC_NUMBERS)
            .build();

    public static final JsonMapper MAPPER = JsonMapper.builder(FACTORY)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.FAIL_ON_READING_DUP_TREE_KEY)
            .build();

    private JsonDocuments() {
    }

    /** That a document is no JSON at all, with the place where it stops being so. */
    public static JsonFault fault(JacksonException broken) {
        TokenStreamLocation at = broken.getLocation();
        Facts place = at == null ? Facts.NONE : Facts.of(LINE, at.getLineNr()).and(COLUMN, at.getColumnNr());
        return new JsonFault("", JsonWording.NO_JSON.say(place));
    }
}
