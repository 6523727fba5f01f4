package org.opensatchel.cli;

import java.util.Locale;
import org.opensatchel.base.text.Shortened;

/** Text made safe for a terminal: what controls it, or turns the reading direction, is shown as {@code \\u….}. */
final class Printable {

    private static final int MOST = 2_000;

    private Printable() {
    }

    static String of(String text) {
        StringBuilder out = new StringBuilder(text.length());
        text.codePoints().forEach(point -> {
            int type = Character.getType(point);
            boolean hidden = Character.isISOControl(point) || type == Character.FORMAT || type == Character.LINE_SEPARATOR
                    || type == Character.PARAGRAPH_SEPARATOR
                    || type == Character.SURROGATE;
            if (hidden) {
                for (char unit : Character.toChars(point)) {
                    out.append(String.format(Locale.ROOT, "\\u%04x", (int) unit));
                }
            } else {
                out.appendCodePoint(point);
            }
        });
        return out.toString();
    }

    /** One bounded line. */
    static String line(String text) {
        return Shortened.end(of(text), MOST);
    }
}
