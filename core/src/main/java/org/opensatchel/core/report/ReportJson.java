package org.opensatchel.core.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.OutputStream;
import java.util.List;
import org.opensatchel.core.json.JsonDocuments;
import org.opensatchel.core.report.Report.LinkLine;
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

    public static Report read(byte[] json) {
        return MAPPER.readValue(json, Report.class);
    }
}
