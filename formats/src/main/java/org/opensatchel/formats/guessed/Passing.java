package org.opensatchel.formats.guessed;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What names files in passing: copies that programs keep for themselves, maps from programs to their sources, and the places of a document
 * that tell of its past or are written for people.
 */
public final class Passing {

    /** What a value says, by where it stands. */
    enum Standing {
        /** Perhaps a link. */
        OPEN,
        /** A title or a name for people: a path there may be one, a file's name alone is none. */
        FOR_PEOPLE,
        /** The past of a document, a cache, or where something was saved. */
        PASSED
    }

    /** Copies, locks and caches by their names; a number behind an ending counts the copies. */
    private static final Pattern COPY = Pattern
            .compile("(?i).*(?:~|\\.(?:bak|bkp|backup|old|orig|swp|swo|tmp|temp|lock|lck|lk|autosave|asv|cache|map|log|part|crdownload)"
                    + "|\\.[a-z]{2,12}[-_.~]?(?:bak|backup|old|orig)|\\.(?!mp|m|h26|jp|3)[a-z]{3,10}[0-9]{1,2})$");
    private static final Set<String> PROSE_NAMES = Set.of("changelog", "changes", "news", "readme", "copying", "license", "licence",
            "authors",
            "history", "todo", "credits", "notice", "install", "thanks");
    private static final Pattern KEPT_FOLDER = Pattern
            .compile("(?i)(?:^|.*/)(?:[a-z_. -]*backups?|auto-?saves?|auto-?backups?|[a-z_. -]*caches?|"
                    + "thumbnails?|previews?|undo|history|tmp|temp|logs?)/[^!]*");
    /** A map from a program to its sources (ECMA-426, section 8). */
    private static final Pattern MAP = Pattern.compile("(?s)\\s*\\{.{0,400}\"version\"\\s*:\\s*3\\b.*");
    private static final Pattern PAST = Pattern
            .compile("(?i).*(?:history|provenance|derived[-_]?from|ingredients?|recent|undo|revision|lastsaved|savedfrom|"
                    + "savepath|backup|cache|thumbnail|preview|changelog|comments?|metadata|baseuri|sourceroot|systemid|sourcescontent|mappings|generator|license|copyright|credits).*");
    private static final Set<String> BASES = Set.of("base", "xml:base");
    private static final Set<String> PEOPLE = Set.of("title", "name", "nm", "label", "caption", "description", "desc", "note", "notes",
            "alt",
            "author", "creator", "displayname", "display-name", "display_name", "summary", "keywords", "subject", "message", "text",
            "tooltip",
            "alias", "string", "placeholder");
    /** Parts of a text that people read; what stands in them is an example as likely as a link. */
    private static final Set<String> PROSE_PARTS = Set.of("p", "para", "li", "td", "th", "blockquote", "pre", "code", "screen",
            "programlisting",
            "listitem", "example");
    private static final int MOST_OF_A_PLACE = 500;
    private static final Pattern PART = Pattern.compile("[^/\\[\\]]+");

    private Passing() {
    }

    /** Whether a file, or a member of a package, is one that programs keep for themselves. */
    static boolean is(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.indexOf('.');
        String stem = (dot < 0 ? name : name.substring(0, dot)).toLowerCase(Locale.ROOT);
        boolean prose = PROSE_NAMES.contains(stem) && dot < 0;
        return prose || COPY.matcher(name).matches() || KEPT_FOLDER.matcher(path).matches();
    }

    /** Whether a text is one of those that lie beside everything, for people, whatever its ending. */
    static boolean isProse(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.indexOf('.');
        return PROSE_NAMES.contains((dot < 0 ? name : name.substring(0, dot)).toLowerCase(Locale.ROOT));
    }

    /** Whether a path leads into a folder that programs keep for themselves: caches, previews, backups. */
    public static boolean isKept(String path) {
        return KEPT_FOLDER.matcher(path).matches();
    }

    static boolean isMap(byte[] head) {
        if (head.length < 20 || head[0] != '{') {
            return false;
        }
        String text = new String(head, 0, Math.min(head.length, 2_000), StandardCharsets.ISO_8859_1);
        return text.contains("\"sources\"") && MAP.matcher(text).matches();
    }

    /** @param place where a value stands: a pointer, or a path of elements */
    static Standing standing(String place) {
        // The end of a long way down says enough.
        Matcher part = PART.matcher(place).region(Math.max(0, place.length() - MOST_OF_A_PLACE), place.length());
        String last = "";
        boolean written = place.indexOf('@') < 0;
        int depth = 0;
        while (part.find()) {
            String word = part.group();
            boolean number = word.chars().allMatch(Character::isDigit);
            if (!number) {
                last = word.startsWith("@") ? word.substring(1) : word;
                if (PAST.matcher(last).matches() || (written && depth > 0 && PROSE_PARTS.contains(last.toLowerCase(Locale.ROOT)))) {
                    return Standing.PASSED;
                }
                depth++;
            }
        }
        String folded = last.toLowerCase(Locale.ROOT);
        return BASES.contains(folded) ? Standing.PASSED : PEOPLE.contains(folded) ? Standing.FOR_PEOPLE : Standing.OPEN;
    }
}
