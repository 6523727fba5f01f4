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

    /** How a verdict is told to people, who want to know how sure and how tidy what is ready is. */
    public enum Told {
        /** Nothing is to be done. */
        READY,
        /** Nothing must be fixed, and something should be. */
        TIDY,
        /** Nothing must be fixed; links of documents that nobody described look broken. */
        DOUBTS,
        FIX,
        BLOCKED;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The verdict that a word names, as {@link #word()} gives it. */
    public static Verdict of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }

    /**
     * @param should how many findings should be fixed
     * @param doubts how many links look broken in documents that nobody described
     */
    public Told told(int should, int doubts) {
        return switch (this) {
            case FIX -> Told.FIX;
            case BLOCKED -> Told.BLOCKED;
            case READY -> doubts > 0 ? Told.DOUBTS : should > 0 ? Told.TIDY : Told.READY;
        };
    }
}
