package org.opensatchel.formats.described;

import java.util.Locale;
import java.util.Optional;

/**
 * One layer that a document's content is wrapped in.
 *
 * @param of what it needs to be told: a member's name, {@code #} for the digits in it, or how many bytes are passed over
 */
public record Wrap(Kind kind, String of) {

    /** The kinds of layers. */
    public enum Kind {
        /** RFC 1952. */
        GZIP,
        /** RFC 1950. */
        ZLIB,
        /** A member of a ZIP archive (APPNOTE 6.3). */
        MEMBER,
        /** RFC 4648, section 4; line breaks are passed over. */
        BASE64,
        /** Bytes before the layer that follows. */
        SKIP
    }

    public static Wrap of(Kind kind) {
        return new Wrap(kind, "");
    }

    public String text() {
        String name = kind.name().toLowerCase(Locale.ROOT);
        return of.isEmpty() ? name : name + " " + of;
    }

    static Optional<Wrap> of(String text) {
        int blank = text.indexOf(' ');
        String name = blank < 0 ? text : text.substring(0, blank);
        String of = blank < 0 ? "" : text.substring(blank + 1);
        for (Kind kind : Kind.values()) {
            if (kind.name().equalsIgnoreCase(name)) {
                boolean fits = switch (kind) {
                    case MEMBER -> !of.isEmpty();
                    case SKIP -> of.matches("[1-9][0-9]{0,2}");
                    default -> of.isEmpty();
                };
                return fits ? Optional.of(new Wrap(kind, of)) : Optional.empty();
            }
        }
        return Optional.empty();
    }
}
