package org.opensatchel.core.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.report.Report.LinkLine;
import org.opensatchel.core.report.Report.SealedLine;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.cfg.DateTimeFeature;
import tools.jackson.databind.json.JsonMapper;

/** Writes and reads reports as JSON; of a later report of version 1, keys that are not known yet are passed over. */
public final class ReportJson {

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonDocuments.FACTORY)
            .changeDefaultPropertyInclusion(inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .disable(DateTimeFeature.WRITE_DATES_AS_TIMESTAMPS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private static final JavaType LINKS = MAPPER.getTypeFactory().constructCollectionType(List.class, LinkLine.class);

    private static final TypeReference<List<SealedLine>> SEALED = new TypeReference<>() {};

    private ReportJson() {
    }

    /** On one line, without a line end. */
    public static void write(Report report, OutputStream out) {
        MAPPER.writeValue(out, report);
    }

    public static byte[] bytes(Report report) {
        return MAPPER.writeValueAsBytes(report);
    }

    /** A digest, or a page of links, as it is kept. */
    public static byte[] bytes(ReportDigest digest) {
        return MAPPER.writeValueAsBytes(digest);
    }

    public static byte[] bytes(List<LinkLine> page) {
        return MAPPER.writerFor(LINKS).writeValueAsBytes(page);
    }

    public static ReportDigest readDigest(byte[] json) {
        return MAPPER.readValue(json, ReportDigest.class);
    }

    public static List<LinkLine> readLinks(byte[] json) {
        return MAPPER.readValue(json, LINKS);
    }

    /** The files of sealed folders that a report tells of; the rest of it is passed over as it comes, however long it is. */
    public static List<SealedLine> readSealed(InputStream json) {
        try (JsonParser parser = MAPPER.createParser(json)) {
            if (parser.nextToken() != JsonToken.START_OBJECT) {
                throw new StreamReadException(parser, "no report");
            }
            while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
                boolean sealed = parser.currentName().equals("sealed");
                parser.nextToken();
                if (sealed) {
                    return parser.readValueAs(SEALED);
                }
                parser.skipChildren();
            }
            return List.of();
        }
    }

    public static Report read(byte[] json) {
        return MAPPER.readValue(json, Report.class);
    }
}
