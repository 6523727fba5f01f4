package org.opensatchel.core.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.OutputStream;
import org.opensatchel.core.json.JsonDocuments;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.cfg.DateTimeFeature;
import tools.jackson.databind.json.JsonMapper;

/** Writes and reads reports as JSON; of a later report of version 1, keys that are not known yet are passed over. */
public final class ReportJson {

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonDocuments.FACTORY)
            .changeDefaultPropertyInclusion(inclusion -> inclusion.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .disable(DateTimeFeature.WRITE_DATES_AS_TIMESTAMPS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private ReportJson() {
    }

    /** On one line, without a line end. */
    public static void write(Report report, OutputStream out) {
        MAPPER.writeValue(out, report);
    }

    public static byte[] bytes(Report report) {
        return MAPPER.writeValueAsBytes(report);
    }

    public static Report read(byte[] json) {
        return MAPPER.readValue(json, Report.class);
    }
}
