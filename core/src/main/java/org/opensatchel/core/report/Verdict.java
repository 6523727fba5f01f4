package org.opensatchel.core.report;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** What a check comes to. */
public enum Verdict {
    /** Nothing must be fixed. */
    @JsonProperty("ready")
    READY,
    /** Something must be fixed. */
    @JsonProperty("fix")
    FIX,
    /** It could not be read. */
    @JsonProperty("blocked")
    BLOCKED;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
