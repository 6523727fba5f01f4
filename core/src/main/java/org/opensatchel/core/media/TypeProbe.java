package org.opensatchel.core.media;

import static org.opensatchel.core.fact.FactName.TYPE;

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
import org.opensatchel.core.fact.Facts;
import org.opensatchel.core.fact.Phrase;

/**
 * Holds a file's extension against how its content begins. Careful on purpose: only extensions whose formats always begin
 * the same way are judged, and a file only lies when its content positively is something else.
 */
public final class TypeProbe {

    /** How much of a file's beginning has to be kept, in bytes. */
    public static final int HEAD_BYTES = 4_096;

    private static final Set<String> SAYS_NOTHING = Set.of("application/octet-stream", "text/plain", "application/xml", "application/zip",
            "application/gzip", "application/x-matroska", "application/ogg", "application/json");
    /** Extensions with the words for their format and the media types that are fine under them. */
    private static final List<Known> KNOWN = List.of(
            new Known(ContentWording.PNG, Set.of("png"), Set.of("image/png", "image/apng"), "\u0089PNG"),
            new Known(ContentWording.JPEG, Set.of("jpg", "jpeg", "jpe", "jfif"), Set.of("image/jpeg"), "\u00ff\u00d8\u00ff"),
            new Known(ContentWording.GIF, Set.of("gif"), Set.of("image/gif"), "GIF8"),
            new Known(ContentWording.BMP, Set.of("bmp"), Set.of("image/bmp", "image/x-ms-bmp"), "BM"),
            new Known(ContentWording.TIFF, Set.of("tif", "tiff"), Set.of("image/tiff"), "II*\0", "MM\0*", "II+\0", "MM\0+"),
            new Known(ContentWording.WEBP, Set.of("webp"), Set.of("image/webp"), "RIFF....WEBP"),
            new Known(ContentWording.OPENEXR, Set.of("exr"), Set.of("image/x-exr", "image/aces"), "v/1\u0001"),
            new Known(ContentWording.HEIC, Set.of("heic", "heif"),
                    Set.of("image/heic", "image/heif", "image/heic-sequence", "image/heif-sequence"), "....ftyphei", "....ftyphev",
                    "....ftypmif1", "....ftypmsf1"),
            new Known(ContentWording.AVIF, Set.of("avif"), Set.of("image/avif"), "....ftypavi"),
            new Known(ContentWording.WAVE, Set.of("wav", "wave"), Set.of("audio/vnd.wave", "audio/x-wav", "audio/wav"), "RIFF....WAVE",
                    "RF64....WAVE", "BW64....WAVE", "RIFX....WAVE"),
            new Known(ContentWording.FLAC, Set.of("flac"), Set.of("audio/x-flac", "audio/flac"), "fLaC", "ID3"),
            new Known(ContentWording.MP3, Set.of("mp3"), Set.of("audio/mpeg"), "ID3", "\u00ff\u00fb", "\u00ff\u00f3", "\u00ff\u00f2",
                    "\u00ff\u00fa"),
            new Known(ContentWording.OGG, Set.of("ogg", "oga", "opus", "ogv"),
                    Set.of("audio/ogg", "audio/vorbis", "audio/opus", "video/ogg", "video/theora"), "OggS"),
            new Known(ContentWording.AIFF, Set.of("aif", "aiff", "aifc"), Set.of("audio/x-aiff", "audio/aiff"), "FORM....AIF"),
            new Known(ContentWording.MP4, Set.of("mp4", "m4v", "mov", "m4a", "3gp"),
                    Set.of("video/mp4", "video/quicktime", "video/x-m4v", "audio/mp4", "application/mp4",
                            "video/3gpp", "video/3gpp2", "application/quicktime"),
                    "....ftyp", "....moov", "....mdat", "....wide", "....free", "....skip", "....pnot"),
            new Known(ContentWording.MATROSKA, Set.of("mkv", "webm", "mka"), Set.of("video/x-matroska", "video/webm", "audio/x-matroska"),
                    "\u001aE\u00df\u00a3"),
            new Known(ContentWording.AVI, Set.of("avi"), Set.of("video/x-msvideo"), "RIFF....AVI"),
            new Known(ContentWording.PDF, Set.of("pdf"), Set.of("application/pdf"), "%PDF"),
            new Known(ContentWording.GLTF, Set.of("glb"), Set.of("model/gltf-binary", "model/gltf.binary"), "glTF"),
            new Known(ContentWording.FONT, Set.of("ttf", "otf"),
                    Set.of("application/x-font-ttf", "application/x-font-otf", "font/ttf", "font/otf", "font/sfnt"), "\0\1\0\0", "OTTO",
                    "true", "ttcf"),
            new Known(ContentWording.WOFF, Set.of("woff", "woff2"),
                    Set.of("font/woff", "font/woff2", "application/font-woff", "application/font-woff2"), "wOFF", "wOF2"),
            new Known(ContentWording.TEXT,
                    Set.of("svg", "otio", "gltf", "obj", "mtl", "html", "htm", "css", "txt", "csv", "md", "json", "xml", "edl", "srt"),
                    Set.of(), ""));
    private static final Set<String> BINARY_TOPS = Set.of("image", "audio", "video", "font");
    private static final Map<String, ContentWording> WORDS = Map.of("text/html", ContentWording.WEB_PAGE, "application/pdf",
            ContentWording.PDF, "image/svg+xml", ContentWording.SVG);

    /** A format by which an extension is judged: the ways its content begins, a dot standing for any byte. */
    private record Known(ContentWording words, Set<String> extensions, Set<String> types, List<String> beginnings) {
        Known(ContentWording words, Set<String> extensions, Set<String> types, String... beginnings) {
            this(words, extensions, types, List.of(beginnings));
        }

        boolean isText() {
            return types.isEmpty();
        }

        /** How many characters of the beginning say that it is this format; none when it is not. */
        long strength(String head) {
            long most = 0;
            for (String beginning : beginnings) {
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
    }

    private static final int LONGEST_BEGINNING = 64;
    private static final Map<String, Known> BY_EXTENSION = byExtension();
    private static final List<String> MEDIA_BEGINNINGS = KNOWN.stream()
            .filter(format -> !format.isText() && !format.extensions.contains("pdf") && !format.extensions.contains("glb"))
            .flatMap(format -> format.beginnings.stream()).filter(beginning -> beginning.length() >= 3).toList();

    private TypeProbe() {
    }

    private static Map<String, Known> byExtension() {
        Map<String, Known> out = new HashMap<>();
        KNOWN.forEach(format -> format.extensions.forEach(extension -> out.putIfAbsent(extension, format)));
        return out;
    }

    /**
     * What the content is, when the extension says something else.
     *
     * @param extension in lower case without its dot
     * @param head how the file begins
     */
    public static Optional<Phrase> lie(String extension, byte[] head) {
        Optional<Known> known = Optional.ofNullable(BY_EXTENSION.get(extension));
        if (head.length < 4 || known.isEmpty()) {
            return Optional.empty();
        }
        // Beginnings are short; most files are right, and are let go here.
        String text = new String(head, 0, Math.min(head.length, LONGEST_BEGINNING), StandardCharsets.ISO_8859_1);
        if (known.get().isText() ? !isBinary(head) : isMost(known.get(), text)) {
            return Optional.empty();
        }
        MediaType type = detect(head);
        String name = type.getBaseType().toString();
        if (known.get().types.contains(name) || SAYS_NOTHING.contains(name)) {
            return Optional.empty();
        }
        Optional<Known> actual = KNOWN.stream().filter(format -> format.types.contains(name)).findFirst();
        if (known.get().isText()) {
            boolean positive = BINARY_TOPS.contains(type.getType()) || name.equals("application/pdf") || name.equals("model/gltf-binary");
            return positive && isCertain(name, text, actual) && !name.equals("image/svg+xml") ? Optional.of(words(name, actual))
                    : Optional.empty();
        }
        return isCertain(name, text, actual) ? Optional.of(words(name, actual)) : Optional.empty();
    }

    /** Whether a content begins as this format, and as no other that says more: a picture may lie in the box of a film. */
    private static boolean isMost(Known format, String head) {
        long strength = format.strength(head);
        if (strength == 0) {
            return false;
        }
        for (Known other : KNOWN) {
            if (other.strength(head) > strength) {
                return false;
            }
        }
        return true;
    }

    /** Whether a content begins as a picture, a sound, a moving picture or a font does. */
    public static boolean isMedia(byte[] head) {
        String text = new String(head, 0, Math.min(head.length, 16), StandardCharsets.ISO_8859_1);
        for (String beginning : MEDIA_BEGINNINGS) {
            if (Known.begins(text, beginning)) {
                return true;
            }
        }
        return false;
    }

    /** Weak signatures of two bytes, which the library takes for sounds or pictures, are no proof. */
    private static boolean isCertain(String name, String head, Optional<Known> actual) {
        if (WORDS.containsKey(name)) {
            return true;
        }
        return actual.isPresent() && !actual.get().extensions.contains("bmp")
                && actual.get().beginnings.stream().anyMatch(beginning -> beginning.length() >= 3 && Known.begins(head, beginning));
    }

    private static Phrase words(String type, Optional<Known> actual) {
        if (WORDS.containsKey(type)) {
            return WORDS.get(type).say();
        }
        return actual.map(format -> format.words.say()).orElseGet(() -> ContentWording.OTHER.say(Facts.of(TYPE, type)));
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
