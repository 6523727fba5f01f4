package org.opensatchel.formats.font;

import java.nio.ByteBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** The names in a font's table {@code name} (ISO/IEC 14496-22, section 5.2.8), of which the English ones are preferred. */
final class FontNames {

    private static final int FAMILY = 1;
    private static final int STYLE = 2;
    private static final int WHOLE_FAMILY = 16;
    private static final int WHOLE_STYLE = 17;
    private static final int LONGEST = 400;
    private static final int MOST = 4_000;
    private static final int ENGLISH = 0x409;

    private final ByteBuffer table;

    FontNames(byte[] table) {
        this.table = ByteBuffer.wrap(table);
    }

    /** The family as all its styles share it, where it says so. */
    Optional<String> family() {
        return name(WHOLE_FAMILY).or(() -> name(FAMILY));
    }

    Optional<String> style() {
        return name(WHOLE_STYLE).or(() -> name(STYLE));
    }

    private Optional<String> name(int wanted) {
        if (table.limit() < 6) {
            return Optional.empty();
        }
        int count = Math.min(MOST, table.getShort(2) & 0xffff);
        int texts = table.getShort(4) & 0xffff;
        int best = 0;
        Optional<String> found = Optional.empty();
        for (int i = 0; i < count && 18 + 12 * i <= table.limit(); i++) {
            int at = 6 + 12 * i;
            int platform = table.getShort(at) & 0xffff;
            int from = texts + (table.getShort(at + 10) & 0xffff);
            int length = table.getShort(at + 8) & 0xffff;
            int weight = platform == 3 ? (table.getShort(at + 4) & 0xffff) == ENGLISH ? 3 : 2 : platform == 0 ? 2 : 1;
            boolean there = (table.getShort(at + 6) & 0xffff) == wanted && length > 0 && length <= LONGEST
                    && from + length <= table.limit();
            if (there && weight > best) {
                best = weight;
                found = text(from, length, platform == 1 ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_16BE);
            }
        }
        return found;
    }

    private Optional<String> text(int from, int length, Charset charset) {
        String text = new String(table.array(), from, length, charset).replaceAll("\\p{Cntrl}", "").strip();
        return Optional.of(text).filter(some -> !some.isEmpty());
    }
}
