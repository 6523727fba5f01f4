package org.opensatchel.formats.link;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;

/** How a file begins, as bytes and as a guess at its text, for telling its format. */
public final class Head {

    private final byte[] bytes;
    private String text;

    public Head(byte[] bytes) {
        this.bytes = bytes;
    }

    public boolean startsWith(int... signature) {
        if (bytes.length < signature.length) {
            return false;
        }
        for (int i = 0; i < signature.length; i++) {
            if ((bytes[i] & 0xFF) != signature[i]) {
                return false;
            }
        }
        return true;
    }

    /** The beginning of what it packs, where the whole file is packed by gzip. */
    public Optional<Head> unpacked() {
        return Gunzipped.head(bytes);
    }

    /** The beginning as it is; not to be changed. */
    public byte[] bytes() {
        return bytes;
    }

    /** The beginning as text with byte-order marks, zero bytes (of UTF-16 and UTF-32) and leading blanks gone. */
    public String text() {
        if (text == null) {
            text = new String(bytes, StandardCharsets.ISO_8859_1).replace("\u00ef\u00bb\u00bf", "").replace("\u00ff\u00fe", "")
                    .replace("\u00fe\u00ff", "")
                    .replace("\0", "").stripLeading();
        }
        return text;
    }

    public boolean looksLikeJson() {
        return text().startsWith("{") || text().startsWith("[");
    }

    public boolean looksLikeXml() {
        return text().startsWith("<");
    }

    /** The local name of an XML document's first element; empty when there is none in sight. */
    public String xmlRoot() {
        if (!looksLikeXml()) {
            return "";
        }
        String xml = text();
        int at = 0;
        while (at < xml.length()) {
            at = xml.indexOf('<', at);
            if (at < 0 || at + 1 >= xml.length()) {
                return "";
            }
            char next = xml.charAt(at + 1);
            if (xml.startsWith("<!--", at)) {
                at = xml.indexOf("-->", at);
            } else if (next == '?') {
                at = xml.indexOf("?>", at);
            } else if (next == '!') {
                at = doctypeEnd(xml, at);
            } else {
                int end = at + 1;
                while (end < xml.length() && " \t\r\n/>".indexOf(xml.charAt(end)) < 0) {
                    end++;
                }
                String name = xml.substring(at + 1, end);
                return name.substring(name.indexOf(':') + 1);
            }
            at = at < 0 ? xml.length() : at + 1;
        }
        return "";
    }

    private static int doctypeEnd(String xml, int from) {
        int bracket = xml.indexOf('[', from);
        int close = xml.indexOf('>', from);
        if (bracket < 0 || (close >= 0 && close < bracket)) {
            return close;
        }
        int end = xml.indexOf(']', bracket);
        return end < 0 ? -1 : xml.indexOf('>', end);
    }

    /** Whether this is a ZIP archive that says, in its first member, that it is of a media type. */
    public boolean isPackageOf(String mediaType) {
        return isZip() && raw().startsWith("mimetype" + mediaType, 30);
    }

    /** Whether a ZIP archive names one of its members early on. */
    public boolean isPackageWith(String member) {
        return isZip() && raw().contains(member);
    }

    private String raw() {
        return new String(bytes, StandardCharsets.ISO_8859_1);
    }

    public boolean isZip() {
        return startsWith('P', 'K', 3, 4);
    }

    /** Whether the beginning holds a word, letter case overlooked. */
    public boolean mentions(String word) {
        return text().toLowerCase(Locale.ROOT).contains(word.toLowerCase(Locale.ROOT));
    }

    /** Whether there are bytes that stand in no text. */
    public boolean isBinary() {
        return text().chars().limit(1_024).anyMatch(c -> c < 9 || (c > 13 && c < 27));
    }
}
