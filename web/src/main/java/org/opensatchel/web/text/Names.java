package org.opensatchel.web.text;

import java.util.Locale;
import org.opensatchel.base.text.Shortened;
import org.springframework.stereotype.Component;

/** Names of files and folders as pages show them: nothing in them is hidden, and long ones keep their end. */
@Component
public class Names {

    /** For templates: {@link #shown}. */
    public String visible(String name) {
        return shown(name);
    }

    /** A name with what cannot be seen, or turns the reading direction, shown as its code. */
    public static String shown(String name) {
        if (name.codePoints().noneMatch(Names::isHidden)) {
            return name;
        }
        StringBuilder out = new StringBuilder(name.length());
        name.codePoints().forEach(point -> {
            if (isHidden(point)) {
                out.append(String.format(Locale.ROOT, "\\u%04x", point));
            } else {
                out.appendCodePoint(point);
            }
        });
        return out.toString();
    }

    private static boolean isHidden(int point) {
        int type = Character.getType(point);
        return Character.isISOControl(point) || type == Character.FORMAT || type == Character.LINE_SEPARATOR
                || type == Character.PARAGRAPH_SEPARATOR;
    }

    /** A path shortened in the middle, never at the end. */
    public static String shortened(String path, int most) {
        String shown = shown(path);
        if (shown.length() <= most) {
            return shown;
        }
        int tail = Math.min(most * 2 / 3, shown.length() - 1);
        int cut = shown.length() - tail;
        int slash = shown.indexOf('/', cut);
        // A folder is named whole where that is possible.
        boolean whole = slash > 0 && slash < cut + tail / 2;
        return Shortened.middle(shown, whole ? most - (slash - cut) : most, whole ? shown.length() - slash : tail);
    }

    /** The last name of a path of any system, shown whole up to a length a cell has room for. */
    public String lastName(String path) {
        String cut = path.replaceFirst("[/\\\\]+$", "");
        String name = cut.substring(Math.max(cut.lastIndexOf('/'), cut.lastIndexOf('\\')) + 1);
        return shortened(name.isEmpty() ? path : name, 34);
    }
}
