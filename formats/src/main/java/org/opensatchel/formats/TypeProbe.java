package org.opensatchel.formats;

import static org.opensatchel.base.fact.FactName.TYPE;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.tika.metadata.Metadata;
import org.apache.tika.mime.MediaType;
import org.apache.tika.mime.MimeTypes;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/**
 * Holds a file's extension against how its content begins. Careful on purpose: only extensions whose formats always begin
 * the same way are judged, and a file only lies when its content positively is something else.
 */
public final class TypeProbe {

    /** How much of a file's beginning has to be kept, in bytes. */
    public static final int HEAD_BYTES = 4_096;

    private static final Set<String> SAYS_NOTHING = Set.of("application/octet-stream", "text/plain", "application/xml", "application/zip",
            "application/gzip", "application/x-matroska", "application/ogg", "application/json");
    private static final Set<String> BINARY_TOPS = Set.of("image", "audio", "video", "font");
    private static final Map<String, ContentWording> WORDS = Map.of("text/html", ContentWording.WEB_PAGE, "application/pdf",
            ContentWording.PDF, "image/svg+xml", ContentWording.SVG);

    private static final int LONGEST_BEGINNING = 64;
    /** The formats by which endings are judged. */
    private static final List<Format> KNOWN = Formats.all().stream().filter(format -> format.isText() || !format.beginnings().isEmpty())
            .toList();
    private static final Map<String, Format> BY_EXTENSION = byExtension();
    private static final List<String> MEDIA_BEGINNINGS = KNOWN.stream()
            .filter(format -> format.kind().isMedia() || format.kind() == FileKind.FONT)
            .flatMap(format -> format.beginnings().stream()).filter(beginning -> beginning.length() >= 3).toList();

    private TypeProbe() {
    }

    private static Map<String, Format> byExtension() {
        Map<String, Format> out = new HashMap<>();
        KNOWN.forEach(format -> format.endings().stream().filter(format::isCertain).forEach(ending -> out.put(ending, format)));
        return out;
    }

    /** How many characters of the beginning say that it is this format; none when it is not. */
    private static long strength(Format format, String head) {
        long most = 0;
        for (String beginning : format.beginnings()) {
            if (begins(head, beginning)) {
                most = Math.max(most, beginning.length() - dots(beginning));
            }
        }
        return most;
    }

    private static int dots(String beginning) {
        int dots = 0;
        for (int i = 0; i < beginning.length(); i++) {
            dots += beginning.charAt(i) == '.' ? 1 : 0;
        }
        return dots;
    }

    private static boolean begins(String head, String beginning) {
        for (int i = 0; i < beginning.length(); i++) {
            if (i >= head.length() || (beginning.charAt(i) != '.' && head.charAt(i) != beginning.charAt(i))) {
                return false;
            }
        }
        return true;
    }

    /**
     * What the content is, when the extension says something else.
     *
     * @param extension in lower case without its dot
     * @param head how the file begins
     */
    public static Optional<Phrase> lie(String extension, byte[] head) {
        Optional<Format> known = Optional.ofNullable(BY_EXTENSION.get(extension));
        if (head.length < 4 || known.isEmpty()) {
            return Optional.empty();
        }
        // Beginnings are short; most files are right, and are let go here.
        String text = new String(head, 0, Math.min(head.length, LONGEST_BEGINNING), StandardCharsets.ISO_8859_1);
        if (known.get().isText() ? !isBinary(head) : isMost(known.get(), text)) {
            return Optional.empty();
        }
        if (!saysWhatItIs(head, text)) {
            return Optional.empty();
        }
        MediaType type = detect(head);
        String name = type.getBaseType().toString();
        if (known.get().mediaTypes().contains(name) || SAYS_NOTHING.contains(name)) {
            return Optional.empty();
        }
        Optional<Format> actual = KNOWN.stream().filter(format -> format.mediaTypes().contains(name)).findFirst();
        if (known.get().isText()) {
            boolean positive = BINARY_TOPS.contains(type.getType()) || name.equals("application/pdf") || name.equals("model/gltf-binary");
            return positive && isCertain(name, text, actual) && !name.equals("image/svg+xml") ? Optional.of(words(name, actual))
                    : Optional.empty();
        }
        return isCertain(name, text, actual) ? Optional.of(words(name, actual)) : Optional.empty();
    }

    /**
     * Whether a content may be called something at all ({@link #isCertain}): looked at before the library is asked, which takes longer than
     * all the rest for a small file.
     */
    private static boolean saysWhatItIs(byte[] head, String text) {
        for (int i = 0; i < head.length; i++) {
            // Pages and drawings have a tag, wherever it stands, and a PDF has its mark.
            if (head[i] == '<' || head[i] == '%' && i + 3 < head.length && head[i + 1] == 'P' && head[i + 2] == 'D' && head[i + 3] == 'F') {
                return true;
            }
        }
        return KNOWN.stream().flatMap(format -> format.beginnings().stream()).anyMatch(one -> one.length() >= 3 && begins(text, one));
    }

    /** Whether a content begins as this format, and as no other that says more: a picture may lie in the box of a film. */
    private static boolean isMost(Format format, String head) {
        long strength = strength(format, head);
        if (strength == 0) {
            return false;
        }
        for (Format other : KNOWN) {
            if (strength(other, head) > strength) {
                return false;
            }
        }
        return true;
    }

    /** Whether a content begins as a picture, a sound, a moving picture or a font does. */
    public static boolean isMedia(byte[] head) {
        String text = new String(head, 0, Math.min(head.length, 16), StandardCharsets.ISO_8859_1);
        for (String beginning : MEDIA_BEGINNINGS) {
            if (begins(text, beginning)) {
                return true;
            }
        }
        return false;
    }

    /** Weak signatures of two bytes, which the library takes for sounds or pictures, are no proof. */
    private static boolean isCertain(String name, String head, Optional<Format> actual) {
        if (WORDS.containsKey(name)) {
            return true;
        }
        return actual.isPresent() && !actual.get().id().equals("bmp")
                && actual.get().beginnings().stream().anyMatch(beginning -> beginning.length() >= 3 && begins(head, beginning));
    }

    private static Phrase words(String type, Optional<Format> actual) {
        if (WORDS.containsKey(type)) {
            return WORDS.get(type).say();
        }
        return actual.map(format -> format.title().say()).orElseGet(() -> ContentWording.OTHER.say(Facts.of(TYPE, type)));
    }

    private static boolean isBinary(byte[] head) {
        for (int i = 0; i < Math.min(head.length, 512); i++) {
            int b = head[i] & 0xFF;
            if (b < 32 && b != '\t' && b != '\n' && b != '\r' && b != '\f' && b != 0x1b) {
                return b != 0 || !isWide(head);
            }
        }
        return new String(head, StandardCharsets.ISO_8859_1).startsWith("%PDF");
    }

    /** Text in UTF-16 or UTF-32 is full of zero bytes: it begins with a mark, or with a letter beside a zero. */
    private static boolean isWide(byte[] head) {
        int first = head[0] & 0xFF;
        int second = head[1] & 0xFF;
        boolean marked = (first == 0xFF && second == 0xFE) || (first == 0xFE && second == 0xFF)
                || (first == 0 && second == 0 && (head[2] & 0xFF) == 0xFE);
        return marked || (first == 0 && second >= '\t') || (second == 0 && first >= '\t');
    }

    private static MediaType detect(byte[] head) {
        try {
            return MimeTypes.getDefaultMimeTypes().detect(new ByteArrayInputStream(head), new Metadata());
        } catch (IOException impossible) {
            return MediaType.OCTET_STREAM;
        }
    }
}
