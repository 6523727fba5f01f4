package org.opensatchel.formats.cue;

import java.io.IOException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.Lines;
import org.opensatchel.formats.text.TextDecoding;

/** Cue sheets (the format's published description): the names after {@code FILE} and {@code CDTEXTFILE}, in quotation marks or without. */
final class CueLinks implements LinkReader {

    private static final Pattern FILE = Pattern.compile(
            "^\\s*(?i:FILE|CDTEXTFILE)\\s+(?:\"([^\"]*)\"|(\\S.*?)\\s+(?i:WAVE|MP3|AIFF|BINARY|MOTOROLA|FLAC|OGG|APE)\\s*$|(\\S+))");
    private static final int LONGEST_LINE = 10_000;

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("cue");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        Lines.each(TextDecoding.decode(bytes), (number, line) -> {
            Matcher file = line.length() > LONGEST_LINE ? null : FILE.matcher(line);
            if (file != null && file.find()) {
                int group = file.group(1) != null ? 1 : file.group(2) != null ? 2 : 3;
                sink.add(new SourcePosition.InText(number, line.codePointCount(0, file.start(group)) + 1), file.group(group),
                        Notation.PLAIN);
            }
        });
    }
}
