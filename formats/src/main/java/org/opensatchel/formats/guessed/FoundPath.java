package org.opensatchel.formats.guessed;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/**
 * Where a path ends in the text it begins, and whether what looks like one is one. Every look forward is bounded, so that
 * no text, however made, costs more than its length.
 */
final class FoundPath {

    /** Longest path that is taken for one, in characters. */
    static final int LONGEST = 1_024;
    private static final Set<String> DOCUMENTS = Set.of("otio", "otioz", "edl", "xspf", "m3u", "m3u8", "cue", "mpd", "smil", "svg", "pdf",
            "odt", "ods", "odp", "odg", "docx", "xlsx", "pptx", "epub",
            "ora", "sfz", "musicxml", "mxl", "mtlx", "usd", "stp", "step", "ies", "cube", "lut", "vdb", "fits", "psb", "raw", "dng", "bin");
    /** What programs are made of, and how they are set up, is nobody's asset. */
    private static final Set<String> CODE = Set.of("js", "mjs", "cjs", "ts", "tsx", "jsx", "py", "pyc", "c", "h", "cc", "cpp", "hpp", "rs",
            "go", "java", "class", "jar", "so", "dll", "exe", "dylib", "sh", "bat", "cmd", "ps1",
            "conf", "cfg", "ini", "log", "lock", "pid", "tmp", "css", "scss", "php", "rb", "pl", "map", "ui", "qml", "lua", "gpg", "d", "o",
            "a", "in", "md", "html", "htm");
    private static final String ENDS = "\"<>|*?`";
    /** Folders of the system and its programs behind a drive's letter: any other may be somebody's own. */
    private static final Pattern ON_A_DRIVE = Pattern
            .compile("[a-z]:/+(?:windows|program files(?: \\(x86\\))?|programdata|users/+[^/]+/+appdata)/.*");
    /** The same at the top of a disk without letters. One word of a path says too little where people name folders so too. */
    private static final Pattern ON_A_DISK = Pattern
            .compile("/(?:usr/(?:s?bin|lib(?:64|exec)?|share|local|include)|etc|s?bin|lib(?:64)?|proc|sys"
                    + "|opt/[^/]+/[^/]+|system/(?:library|applications|volumes)|applications/[^/]+\\.app"
                    + "|library/(?:application support|audio|caches|colorsync|desktop pictures|fonts|frameworks|image capture|keychains|logs"
                    + "|preferences|printers|screen savers|user pictures))/.*");
    /** Folders of programs inside somebody's home. */
    private static final List<String> PROGRAMS = List.of("/appdata/local/programs/", "/appdata/roaming/", "/library/application support/",
            "/library/preferences/");
    /** A folder whose name begins with a dot is a program's own; {@code ..} is none. */
    private static final Pattern HIDDEN = Pattern.compile("/\\.[^./]");

    /** A server's name and a share's; whatever else begins with two backslashes is something escaped. */
    private static final Pattern SHARE = Pattern.compile("//[A-Za-z0-9][A-Za-z0-9._-]{0,62}/+[^/{}()\\[\\]=;,<>\"]{1,80}/");

    /** {@code audio/vnd.wave} is a media type, though it ends like a file. */
    private static final Pattern MEDIA_TYPE = Pattern.compile("(?:audio|video|image|model|font)/(?:vnd|x|prs)[.-][^/]*");

    private FoundPath() {
    }

    /**
     * The path at the beginning of a text.
     *
     * @param quote the mark it stands in, or 0 where it stands in none
     * @param strict whether only endings that are known count, as among bytes that are no text and may look like anything
     */
    static Optional<String> at(String text, char quote, boolean strict) {
        int limit = Math.min(text.length(), LONGEST);
        int end = 0;
        while (end < limit && text.charAt(end) >= ' ' && text.charAt(end) != 0x7F && ENDS.indexOf(text.charAt(end)) < 0
                && text.charAt(end) != quote) {
            end++;
        }
        boolean closed = quote != 0 && end < text.length() && text.charAt(end) == quote;
        String path = closed ? text.substring(0, end) : open(text.substring(0, end));
        String plain = path.contains("\\\\") && !path.startsWith("\\\\") || path.startsWith("\\\\\\\\") ? path.replace("\\\\", "\\") : path;
        return isFile(plain) && !(strict && !endsKnown(plain)) ? Optional.of(plain) : Optional.empty();
    }

    private static boolean endsKnown(String path) {
        return isKnown(path.substring(path.lastIndexOf('.') + 1));
    }

    /** Without a mark a path ends behind the first known extension that ends a name, else at the first blank. */
    private static String open(String segment) {
        for (int dot = segment.indexOf('.'); dot >= 0; dot = segment.indexOf('.', dot + 1)) {
            int end = dot + 1;
            while (end < segment.length() && end - dot <= 9 && isLetterOrDigit(segment.charAt(end))) {
                end++;
            }
            boolean over = end == segment.length() || !(isLetterOrDigit(segment.charAt(end)) || "._-/\\".indexOf(segment.charAt(end)) >= 0);
            if (over && isKnown(segment.substring(dot + 1, end))) {
                return segment.substring(0, end);
            }
        }
        int blank = 0;
        while (blank < segment.length() && segment.charAt(blank) != ' ' && segment.charAt(blank) != ';' && segment.charAt(blank) != ',') {
            blank++;
        }
        int end = blank;
        while (end > 0 && ".):]}'".indexOf(segment.charAt(end - 1)) >= 0) {
            end--;
        }
        return segment.substring(0, end);
    }

    /** Whether a path names a file that could belong to a project: its last name has an ending, and it lies in no system's folder. */
    static boolean isFile(String path) {
        String slashed = path.replace('\\', '/');
        String name = slashed.substring(slashed.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        if (slashed.startsWith("//") && !SHARE.matcher(slashed).lookingAt()) {
            return false;
        }
        if (dot < 1 || name.length() - dot > 9 || name.length() - dot < 2
                || !name.chars().skip(dot + 1).allMatch(c -> isLetterOrDigit((char) c))
                || name.chars().skip(dot + 1).noneMatch(Character::isLetter)) {
            return false;
        }
        String folded = local(slashed.toLowerCase(Locale.ROOT));
        boolean foreign = ON_A_DRIVE.matcher(folded).matches() || ON_A_DISK.matcher(folded).matches()
                || PROGRAMS.stream().anyMatch(folded::contains) || HIDDEN.matcher(folded).find();
        if (foreign || CODE.contains(name.substring(dot + 1).toLowerCase(Locale.ROOT))) {
            return false;
        }
        // A share has a server, itself, and the file.
        return !slashed.startsWith("//") || slashed.split("/+").length > 3;
    }

    /** A file URI without its scheme and an empty host. */
    private static String local(String path) {
        if (!path.startsWith("file:")) {
            return path;
        }
        String rest = path.substring(5).replaceFirst("^//+", "/");
        return rest.length() > 2 && rest.charAt(2) == ':' ? rest.substring(1) : rest;
    }

    /** Whether a text that stands for itself is a file's name: relative, with a media extension, and no sentence. */
    static boolean isRelative(String text) {
        int dot = text.lastIndexOf('.');
        boolean nameless = dot < 1 || text.charAt(dot - 1) == '/' || text.charAt(dot - 1) == '\\';
        if (text.length() > LONGEST || nameless || !isMedia(text.substring(dot + 1)) || text.indexOf("://") >= 0 || text.charAt(0) == '*'
                || MEDIA_TYPE.matcher(text).matches()) {
            return false;
        }
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ' || ENDS.indexOf(c) >= 0 || c == '{' || c == '}' || (c == '%' && text.indexOf('%', i + 1) > 0)) {
                return false;
            }
        }
        return true;
    }

    static boolean isMedia(String extension) {
        FileKind kind = Formats.kind(extension.toLowerCase(Locale.ROOT));
        return kind.isMedia() || kind == FileKind.MODEL;
    }

    private static boolean isKnown(String extension) {
        String folded = extension.toLowerCase(Locale.ROOT);
        return Formats.kind(folded) != FileKind.OTHER || DOCUMENTS.contains(folded);
    }

    static boolean isLetterOrDigit(char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
    }
}
