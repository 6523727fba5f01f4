package org.opensatchel.core.naming;

import java.text.Normalizer;
import java.util.Map;
import org.opensatchel.base.path.NameFolding;

/**
 * The form a roster name takes in a file name: composed, apostrophes of every kind and spaces dropped, and what no file
 * system takes dropped too; accents go only where a kit asks for ASCII.
 */
public final class FileNameForm {

    private static final String DROPPED = "'’‘‛ʼʻʹ`´′＇/\\:*?\"<>|";
    /** Letters that Unicode does not take apart into a base letter and a mark. */
    private static final Map<Integer, String> BASE_LETTERS = Map.ofEntries(
            Map.entry((int) 'ø', "o"), Map.entry((int) 'Ø', "O"), Map.entry((int) 'ß', "ss"), Map.entry((int) 'ẞ', "SS"),
            Map.entry((int) 'æ', "ae"), Map.entry((int) 'Æ', "Ae"), Map.entry((int) 'œ', "oe"), Map.entry((int) 'Œ', "Oe"),
            Map.entry((int) 'ł', "l"), Map.entry((int) 'Ł', "L"), Map.entry((int) 'đ', "d"), Map.entry((int) 'Đ', "D"),
            Map.entry((int) 'ð', "d"), Map.entry((int) 'Ð', "D"), Map.entry((int) 'þ', "th"), Map.entry((int) 'Þ', "Th"),
            Map.entry((int) 'ı', "i"), Map.entry((int) 'ħ', "h"), Map.entry((int) 'Ħ', "H"));

    private FileNameForm() {
    }

    public static String of(String rosterName, boolean ascii) {
        StringBuilder out = new StringBuilder(rosterName.length());
        NameFolding.composed(rosterName).codePoints()
                .filter(point -> !Character.isWhitespace(point) && !Character.isSpaceChar(point) && !Character.isISOControl(point))
                .filter(point -> Character.getType(point) != Character.FORMAT && DROPPED.indexOf(point) < 0)
                .forEach(out::appendCodePoint);
        return ascii ? ascii(out.toString()) : out.toString();
    }

    private static String ascii(String name) {
        StringBuilder out = new StringBuilder(name.length());
        Normalizer.normalize(name, Normalizer.Form.NFD).codePoints().forEach(point -> {
            if (point < 128) {
                out.appendCodePoint(point);
            } else {
                out.append(BASE_LETTERS.getOrDefault(point, ""));
            }
        });
        return out.toString();
    }
}
