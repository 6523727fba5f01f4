package org.opensatchel.formats.edl;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A comment of an edit decision list (SMPTE ST 258 and the practice that grew around it) that names a clip or a file.
 *
 * @param column where its text begins, from 1, in code points
 * @param isClipName whether it names a clip rather than a file
 * @param isOfNext whether it is about what a transition leads to
 */
public record EdlComment(int column, boolean isClipName, boolean isOfNext, String text) {

    private static final Pattern COMMENT = Pattern.compile(
            "^\\s*\\*\\s*(?i:(FROM CLIP NAME|TO CLIP NAME|KEY CLIP NAME|SOURCE FILE|FROM FILE|TO FILE|FROM CLIP FILE|TO CLIP FILE|AUDIO FILE|AUDIO CLIP NAME|FROM CLIP IS|TO CLIP IS|KEY CLIP IS))\\s*:\\s*(.*?)\\s*$");

    private static final int LONGEST = 10_000;

    public static Optional<EdlComment> of(String line) {
        if (line.indexOf('*') < 0 || line.length() > LONGEST) {
            return Optional.empty();
        }
        Matcher comment = COMMENT.matcher(line);
        if (!comment.find() || comment.group(2).isEmpty()) {
            return Optional.empty();
        }
        String word = comment.group(1);
        return Optional.of(new EdlComment(line.codePointCount(0, comment.start(2)) + 1, word.contains("CLIP") && !word.contains("FILE"),
                word.toUpperCase(java.util.Locale.ROOT).startsWith("TO "), comment.group(2)));
    }
}
