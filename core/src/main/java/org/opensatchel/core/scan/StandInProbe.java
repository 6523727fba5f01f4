package org.opensatchel.core.scan;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.described.BinaryPropertyList;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.Head;

/**
 * Tells by its content a file that only stands for another: shortcuts of systems, and small texts, property lists and JSON objects
 * that hold nothing but an address or a path, whatever their ending is.
 */
final class StandInProbe {

    /** Longer files hold more than an address. */
    static final int MOST_BYTES = 4_096;
    private static final int MOST_OBJECTS = 64;
    private static final Pattern ADDRESS = Pattern
            .compile("(?i)(?:https?|ftps?|sftp|file|smb|afp|nfs|cifs|dav|davs)://?[^\\s<>\"]{3,2000}");
    /** An absolute path to a file, or one that goes through folders; a word alone, or a number, is none. */
    private static final Pattern PATH = Pattern
            .compile("(?:[A-Za-z]:[\\\\/]|\\\\\\\\[^\\\\/\\s]+[\\\\/]|/(?:Users|home|Volumes|media|mnt)/|~/|(?:\\.\\.?[\\\\/])+"
                    + "|[^\\s\\\\/:*?\"<>|]+[\\\\/])[^\\n\\r\\t\"<>|*?]{0,1000}\\.[A-Za-z0-9]{2,8}");
    private static final Pattern INTERNET = Pattern.compile("(?im)^\\s*\\[InternetShortcut\\]\\s*$[\\s\\S]*^\\s*(?:BASE)?URL\\s*=\\s*\\S+");
    private static final Pattern STRING = Pattern.compile("<string>\\s*([^<]*?)\\s*</string>");
    private static final Pattern PROPERTY = Pattern.compile("<(?:integer|real|date|data|true|false|array)\\b");
    private static final Pattern MEMBER = Pattern
            .compile("\"((?:[^\"\\\\]++|\\\\.)*+)\"\\s*:\\s*(?:\"((?:[^\"\\\\]++|\\\\.)*+)\"|(true|false|null|-?[0-9.eE+]+))\\s*");
    private static final Set<String> ADDRESS_KEYS = Set.of("url", "uri", "link", "href", "target", "path", "location");
    /** Lists of files and code, in which one line alone may well be a path. */
    private static final Set<String> LISTS = Set.of("m3u", "m3u8", "pth", "gitmodules", "in", "cfg", "ini", "yml", "yaml", "toml", "py",
            "sh",
            "css", "scss", "less", "js", "mjs", "ts", "lock", "map", "gitignore");
    private static final int MOST_MEMBERS = 8;

    private StandInProbe() {
    }

    /**
     * @param bytes how long the whole file is
     * @param head its beginning
     */
    static boolean isOne(String name, String extension, long bytes, byte[] head) {
        Head beginning = new Head(head);
        if (extension.equals("lnk") || beginning.startsWith(0x4C, 0, 0, 0, 0x01, 0x14, 0x02, 0)
                || beginning.startsWith('b', 'o', 'o', 'k', 0, 0, 0, 0, 'm', 'a', 'r', 'k')) {
            return true;
        }
        if (bytes > MOST_BYTES || bytes > head.length || bytes < 4) {
            return false;
        }
        if (beginning.startsWith('b', 'p', 'l', 'i', 's', 't', '0', '0')) {
            return BinaryPropertyList.texts(head, MOST_OBJECTS).filter(texts -> holdsOneAddress(texts, true)).isPresent();
        }
        String text = text(head);
        return text != null && isOne(name, extension, text.strip());
    }

    private static boolean isOne(String name, String extension, String text) {
        if (extension.equals("desktop")) {
            String lower = text.toLowerCase(Locale.ROOT);
            return lower.contains("[desktop entry]") && lower.contains("type=link");
        }
        if (text.startsWith("[")) {
            return INTERNET.matcher(text).find();
        }
        if (text.startsWith("<")) {
            return text.contains("<plist") && holdsOneAddress(strings(text), !PROPERTY.matcher(text).find());
        }
        if (text.startsWith("{")) {
            return !extension.equals("json") && isAddressed(text);
        }
        // A hidden file of one line is a setting.
        boolean path = !LISTS.contains(extension) && !name.startsWith(".") && isPath(text);
        return path || (!LISTS.contains(extension) && !name.startsWith(".") && ADDRESS.matcher(text).matches());
    }

    private static boolean holdsOneAddress(List<String> texts, boolean alone) {
        List<String> values = texts.stream().filter(text -> !text.isBlank() && !text.equalsIgnoreCase("URL")).toList();
        return alone && values.size() == 1
                && (ADDRESS.matcher(values.get(0).strip()).matches() || isPath(values.get(0).strip()));
    }

    /** A path whose ending is that of something that is handed in; two words with a slash and a number are none. */
    private static boolean isPath(String text) {
        if (!PATH.matcher(text).matches()) {
            return false;
        }
        String ending = text.substring(text.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return (Formats.kind(ending) != FileKind.OTHER && Formats.kind(ending) != FileKind.TEXT)
                || Formats.documentEndings().contains(ending);
    }

    private static List<String> strings(String text) {
        List<String> out = new ArrayList<>();
        Matcher string = STRING.matcher(text);
        while (string.find()) {
            out.add(string.group(1));
        }
        return out;
    }

    /** A flat object whose address is what it is about: everything else in it is a name or a number without a blank. */
    private static boolean isAddressed(String text) {
        if (!text.endsWith("}")) {
            return false;
        }
        String inside = text.substring(1, text.length() - 1).strip();
        Matcher member = MEMBER.matcher(inside);
        int at = 0;
        int addresses = 0;
        int members = 0;
        while (at < inside.length()) {
            if (!member.region(at, inside.length()).lookingAt() || ++members > MOST_MEMBERS) {
                return false;
            }
            String value = member.group(2) == null ? "" : member.group(2).replace("\\/", "/");
            boolean address = ADDRESS.matcher(value).matches();
            if (address && ADDRESS_KEYS.contains(member.group(1).toLowerCase(Locale.ROOT))) {
                addresses++;
            } else if (address || value.indexOf(' ') >= 0) {
                return false;
            }
            at = member.end();
            if (at < inside.length() && inside.charAt(at++) != ',') {
                return false;
            }
            while (at < inside.length() && Character.isWhitespace(inside.charAt(at))) {
                at++;
            }
        }
        return addresses == 1;
    }

    /** The text of bytes that are one, else null: a file that may be anything is asked very often. */
    private static String text(byte[] bytes) {
        boolean wide = bytes.length > 1
                && ((bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE) || (bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF));
        if (wide) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        for (byte one : bytes) {
            if (one >= 0 && one < ' ' && one != '\n' && one != '\r' && one != '\t') {
                return null;
            }
        }
        try {
            String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException other) {
            return new String(bytes, StandardCharsets.ISO_8859_1);
        }
    }
}
