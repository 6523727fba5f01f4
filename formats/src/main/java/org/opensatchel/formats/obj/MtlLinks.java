package org.opensatchel.formats.obj;

import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.StatementLines;

/**
 * Wavefront material libraries (the format's published description, 1995), with the maps that physically based renderers
 * added. A map's name is what stands after its options, spaces included.
 */
final class MtlLinks implements LinkReader {

    private static final Set<String> MAPS = Set.of("bump", "disp", "decal", "refl", "norm", "displacement");
    /** Options with the most values each can take; those with a number after the name take it. */
    private static final Map<String, Integer> OPTIONS = Map.ofEntries(Map.entry("-blendu", 1), Map.entry("-blendv", 1),
            Map.entry("-boost", 1), Map.entry("-mm", 2),
            Map.entry("-o", 3), Map.entry("-s", 3), Map.entry("-t", 3), Map.entry("-texres", 1), Map.entry("-clamp", 1),
            Map.entry("-bm", 1),
            Map.entry("-imfchan", 1), Map.entry("-type", 1), Map.entry("-cc", 1), Map.entry("-colorspace", 1));
    private static final Pattern OTHER_OPTION = Pattern.compile("-[a-z][a-z_]{1,11}");
    /** A name with an ending, and then a comment or an option. */
    private static final Pattern BEHIND_NAME = Pattern.compile("^(.{1,1000}?\\.[A-Za-z0-9]{2,5})\\s+(?:#|-[A-Za-z]{1,12}(?:\\s|$)).*$");
    private static final Set<String> NUMERIC = Set.of("-mm", "-o", "-s", "-t");

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("mtl");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        StatementLines.read(document.stream(), statement -> {
            String keyword = statement.keyword().toLowerCase(Locale.ROOT);
            boolean map = MAPS.contains(keyword) || (keyword.startsWith("map_") && !keyword.equals("map_aat"));
            if (map && !statement.rest().isEmpty()) {
                int start = nameStart(statement.rest());
                sink.add(new SourcePosition.InText(statement.line(), statement.restColumn() + statement.rest().codePointCount(0, start)),
                        named(statement.rest().substring(start)), Notation.PLAIN);
            }
        });
    }

    /** The name alone: some writers put a comment or their options behind it. Nothing is cut off before a name has its ending. */
    private static String named(String rest) {
        Matcher behind = BEHIND_NAME.matcher(rest);
        return behind.find() ? behind.group(1) : rest;
    }

    /** Where the file's name begins behind the options; a last word is always the name, never an option's value. */
    private static int nameStart(String rest) {
        int at = 0;
        while (at < rest.length() && rest.charAt(at) == '-') {
            int end = wordEnd(rest, at);
            String option = rest.substring(at, end).toLowerCase(Locale.ROOT);
            boolean unknown = !OPTIONS.containsKey(option);
            if (unknown && !OTHER_OPTION.matcher(option).matches()) {
                return at;
            }
            int next = wordStart(rest, end);
            // An option of some program's own has one value, as most have; with nothing behind it the word is the name.
            for (int i = 0; i < OPTIONS.getOrDefault(option, 1); i++) {
                int valueEnd = wordEnd(rest, next);
                boolean last = wordStart(rest, valueEnd) >= rest.length();
                if (last || (NUMERIC.contains(option) && !isNumber(rest.substring(next, valueEnd)))) {
                    break;
                }
                next = wordStart(rest, valueEnd);
            }
            if (unknown && next >= rest.length()) {
                return at;
            }
            at = next;
        }
        return at;
    }

    private static int wordEnd(String text, int from) {
        int at = from;
        while (at < text.length() && text.charAt(at) != ' ' && text.charAt(at) != '\t') {
            at++;
        }
        return at;
    }

    private static int wordStart(String text, int from) {
        int at = from;
        while (at < text.length() && (text.charAt(at) == ' ' || text.charAt(at) == '\t')) {
            at++;
        }
        return at;
    }

    private static boolean isNumber(String word) {
        return !word.isEmpty() && word.chars().allMatch(c -> (c >= '0' && c <= '9') || "+-.eE".indexOf(c) >= 0)
                && word.chars().anyMatch(c -> c >= '0' && c <= '9') && Character.toLowerCase(word.charAt(0)) != 'e';
    }
}
