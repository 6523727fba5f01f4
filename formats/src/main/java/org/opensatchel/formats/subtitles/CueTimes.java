package org.opensatchel.formats.subtitles;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;

/** The times of words that are shown or spoken along with a film. Nothing tells where such a list should end. */
final class CueTimes {

    private static final int MOST_BYTES = 4 << 20;
    private static final int HEAD = 4_096;
    /** A cue's beginning and end; hours may be left out in WebVTT, and are by some in SubRip. */
    private static final String TIME = "(?:(\\d{1,4}):)?(\\d{1,2}):(\\d{1,2})[,.](\\d{1,3})";
    private static final Pattern TIMES = Pattern.compile("(?m)^[ \\t]*+" + TIME + "[ \\t]*+-->[ \\t]*+" + TIME);

    private CueTimes() {
    }

    /** How a file begins, without its byte order mark. */
    static String head(Window file) throws IOException {
        return text(file.beginning(HEAD));
    }

    static boolean hasTimes(String text) {
        return TIMES.matcher(text).find();
    }

    static MediaFacts read(String container, Window file) throws IOException {
        if (file.length() > MOST_BYTES) {
            return MediaFacts.none(container, End.OPEN);
        }
        Matcher times = TIMES.matcher(text(file.bytes(0, (int) file.length())));
        int count = 0;
        long last = 0;
        while (times.find()) {
            count++;
            last = Math.max(last, millis(times));
        }
        return new MediaFacts(container, End.OPEN, Optional.of(new Rational(last, 1_000)), List.of(), List.of(),
                Optional.of(new MediaContent.Cues(count)));
    }

    /** When a cue ends. */
    private static long millis(Matcher times) {
        long hours = times.group(5) == null ? 0 : Long.parseLong(times.group(5));
        // "5" after the comma is five tenths.
        String part = (times.group(8) + "00").substring(0, 3);
        return ((hours * 60 + Long.parseLong(times.group(6))) * 60 + Long.parseLong(times.group(7))) * 1_000 + Long.parseLong(part);
    }

    /** Times are digits in every code page; only of UTF-16 each takes two bytes. */
    private static String text(byte[] bytes) {
        int first = bytes.length < 2 ? 0 : (bytes[0] & 0xff) << 8 | bytes[1] & 0xff;
        Charset wide = first == 0xfeff ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_16LE;
        boolean marked = bytes.length > 2 && first == 0xefbb && (bytes[2] & 0xff) == 0xbf;
        return first == 0xfeff || first == 0xfffe ? new String(bytes, 2, bytes.length - 2, wide)
                : new String(bytes, marked ? 3 : 0, bytes.length - (marked ? 3 : 0), StandardCharsets.ISO_8859_1);
    }
}
