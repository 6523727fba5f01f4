package org.opensatchel.web.text;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Takes a sentence of the core apart at its quotation marks, so that names can be set in the letter meant for names. */
@Component
public class NamesInText {

    /** A piece of a sentence. */
    public record Piece(String text, boolean isName) {
    }

    public List<Piece> pieces(String sentence) {
        List<Piece> out = new ArrayList<>();
        int at = 0;
        while (at < sentence.length()) {
            int open = sentence.indexOf('“', at);
            int close = open < 0 ? -1 : sentence.indexOf('”', open);
            if (close < 0) {
                break;
            }
            if (open > at) {
                out.add(new Piece(sentence.substring(at, open), false));
            }
            out.add(new Piece(visible(sentence.substring(open + 1, close)), true));
            at = close + 1;
        }
        if (at < sentence.length()) {
            out.add(new Piece(sentence.substring(at), false));
        }
        return out;
    }

    /** The same for sentences whose names stand between grave accents; quoted ones are names too. */
    public List<Piece> marked(String sentence) {
        List<Piece> out = new ArrayList<>();
        String[] parts = sentence.split("`", -1);
        for (int i = 0; i < parts.length; i++) {
            if (i % 2 == 1 && i < parts.length - 1) {
                out.add(new Piece(visible(parts[i]), true));
            } else if (!parts[i].isEmpty()) {
                out.addAll(pieces(parts[i]));
            }
        }
        return out;
    }

    /** For templates: {@link #shown}. */
    public String visible(String name) {
        return shown(name);
    }

    /** A name with what cannot be seen, or turns the reading direction, shown as its code. */
    public static String shown(String name) {
        StringBuilder out = new StringBuilder(name.length());
        name.codePoints().forEach(point -> {
            int type = Character.getType(point);
            if (Character.isISOControl(point) || type == Character.FORMAT || type == Character.LINE_SEPARATOR || type == Character.PARAGRAPH_SEPARATOR) {
                out.append(String.format("\\u%04x", point));
            } else {
                out.appendCodePoint(point);
            }
        });
        return out.toString();
    }

    /** A path shortened in the middle, never at the end. */
    public String shortened(String path, int most) {
        String shown = visible(path);
        if (shown.length() <= most) {
            return shown;
        }
        int tail = Math.min(most * 2 / 3, shown.length() - 1);
        int cut = shown.length() - tail;
        int slash = shown.indexOf('/', cut);
        int from = slash > 0 && slash < cut + tail / 2 ? slash : cut;
        return shown.substring(0, most - tail - 1) + "…" + shown.substring(from);
    }

    /** The last name of a path of any system, shown whole up to a length a cell has room for. */
    public String lastName(String path) {
        String cut = path.replaceFirst("[/\\\\]+$", "");
        String name = cut.substring(Math.max(cut.lastIndexOf('/'), cut.lastIndexOf('\\')) + 1);
        return shortened(name.isEmpty() ? path : name, 34);
    }
}
