package org.opensatchel.base.path;

import java.text.Normalizer;
import java.util.Locale;

/**
 * The one place where names are normalised and folded for comparing. Names shown are never folded.
 *
 * <p>Three strengths, each including the one before: <em>composed</em> (Unicode NFC, UAX 15), <em>folded</em> (full case
 * folding on top, Unicode 15 section 5.18: {@code ß} equals {@code SS}; dotless {@code ı} is a letter of its own), and
 * <em>loose</em> (accents, spaces, {@code _}, {@code -} and apostrophes dropped), the last for proposals only.
 */
public final class NameFolding {

    private NameFolding() {
    }

    public static String composed(String name) {
        return isAscii(name) || Normalizer.isNormalized(name, Normalizer.Form.NFC) ? name : Normalizer.normalize(name, Normalizer.Form.NFC);
    }

    /** What two names share when letter case and Unicode form are overlooked. */
    public static String folded(String name) {
        if (isAscii(name)) {
            return name.toLowerCase(Locale.ROOT);
        }
        StringBuilder out = new StringBuilder(name.length());
        composed(name).codePoints().forEach(point -> foldInto(out, point));
        return composed(out.toString());
    }

    /** The hash of {@link #folded} of a text from some index on, made without making it where that can be. */
    public static int foldedHash(String text, int from) {
        int hash = 0;
        for (int i = from; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c > 127) {
                return folded(text.substring(from)).hashCode();
            }
            hash = 31 * hash + (c >= 'A' && c <= 'Z' ? c + 32 : c);
        }
        return hash;
    }

    /** {@link #folded} with trailing spaces and dots cut off each name of the path, as Windows cuts them. */
    public static String lookupKey(String path) {
        String folded = folded(path);
        if (folded.indexOf(' ') < 0 && folded.indexOf('.') < 0) {
            return folded;
        }
        String[] names = folded.split("/", -1);
        for (int i = 0; i < names.length; i++) {
            names[i] = withoutTail(names[i]);
        }
        return String.join("/", names);
    }

    /** What two names share when everything but letters and digits without their accents is overlooked; extension dots stay. */
    public static String loose(String name) {
        String bare = Normalizer.normalize(folded(name), Normalizer.Form.NFKD);
        StringBuilder out = new StringBuilder(bare.length());
        bare.codePoints()
                .filter(point -> Character.isLetterOrDigit(point) || point == '.' || point == '/')
                .forEach(out::appendCodePoint);
        return out.toString();
    }

    /** What names share that differ in their numbers alone: each run of digits becomes {@code #}. */
    public static String withoutNumbers(String name) {
        StringBuilder out = new StringBuilder(name.length());
        boolean digits = false;
        for (char c : composed(name).toCharArray()) {
            boolean digit = c >= '0' && c <= '9';
            if (!digit) {
                out.append(c);
            } else if (!digits) {
                out.append('#');
            }
            digits = digit;
        }
        return out.toString();
    }

    private static void foldInto(StringBuilder out, int point) {
        if (point == 'ı') {
            out.append('ı');
            return;
        }
        String letter = Character.toString(point);
        // Twice, since a capital sharp s has no upper case but its small form has one.
        String once = letter.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT);
        out.append(once.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT).replace('ς', 'σ'));
    }

    private static String withoutTail(String name) {
        int end = name.length();
        while (end > 0 && (name.charAt(end - 1) == ' ' || name.charAt(end - 1) == '.')) {
            end--;
        }
        return end == 0 ? name : name.substring(0, end);
    }

    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) > 127) {
                return false;
            }
        }
        return true;
    }
}
