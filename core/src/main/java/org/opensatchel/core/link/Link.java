package org.opensatchel.core.link;

import java.util.Optional;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.path.Notation;
import org.opensatchel.core.path.ProjectPath;

/**
 * One mention of a file in a document, as written.
 *
 * @param at where the link itself begins
 * @param text the value after the format's own escapes are undone, percent-encoding, query and fragment kept
 * @param base what the format says relative links start from instead of the document's folder; empty for the document's folder
 * @param frames the numbers of a sequence, for a link to many files; its text then holds {@code ####} where the number stands
 */
public record Link(ProjectPath document, Place at, String text, Notation notation, String base, Optional<Frames> frames) {

    /** Where the number of a frame stands in a sequence's text. */
    public static final String FRAME_MARK = "####";

    /**
     * The numbered files of a sequence.
     *
     * @param first number of the first file
     * @param last number of the last file
     * @param step from one number to the next
     * @param digits least digits of a number, filled with zeros
     */
    public record Frames(long first, long last, long step, int digits) {

        public String number(long frame) {
            String digits = Long.toString(Math.abs(frame));
            return (frame < 0 ? "-" : "") + "0".repeat(Math.max(0, this.digits - digits.length())) + digits;
        }

        public long count() {
            return (last - first) / step + 1;
        }
    }
}
