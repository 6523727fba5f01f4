package org.opensatchel.formats.text;

import java.util.Arrays;
import org.opensatchel.base.place.SourcePosition;

/** Turns an offset in a text into its line and column; a line ends at LF, CR or both. */
public final class LineIndex {

    private final String text;
    private int[] starts = new int[64];
    private int lines = 1;

    public LineIndex(String text) {
        this.text = text;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\n' || (c == '\r' && (i + 1 == text.length() || text.charAt(i + 1) != '\n'))) {
                if (lines == starts.length) {
                    starts = Arrays.copyOf(starts, lines * 2);
                }
                starts[lines++] = i + 1;
            }
        }
    }

    /** Line and column, from 1, of a place in the text; columns count characters, and the offset counts code units (UTF-16) from 0. */
    public SourcePosition.InText at(int offset) {
        int found = Arrays.binarySearch(starts, 0, lines, offset);
        int line = found >= 0 ? found : -found - 2;
        return new SourcePosition.InText(line + 1, text.codePointCount(starts[line], Math.min(offset, text.length())) + 1);
    }
}
