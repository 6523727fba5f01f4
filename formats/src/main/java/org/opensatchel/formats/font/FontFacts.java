package org.opensatchel.formats.font;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** OpenType and TrueType fonts, and collections of them (ISO/IEC 14496-22, sections 4.3 to 4.5): of a collection the first one. */
final class FontFacts implements MediaReader {

    private static final int MOST_TABLES = 512;
    private static final int MOST_FONTS = 64;
    private static final int MOST_NAMES = 1 << 20;
    private static final String COLLECTION = "ttcf";

    @Override
    public String container() {
        return "OpenType";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, COLLECTION) || isFont(head, 0);
    }

    private static boolean isFont(Window file, long at) throws IOException {
        boolean kind = file.has(at, "OTTO") || file.has(at, "true") || file.u32(at) == 0x10000;
        int tables = kind ? file.u16(at + 4) : 0;
        // How a table is searched stands beside how many there are: by chance the two never agree.
        return tables > 0 && tables <= MOST_TABLES && file.u16(at + 6) == 16 * Integer.highestOneBit(tables);
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        if (!file.has(0, COLLECTION)) {
            return read(file, List.of(0L));
        }
        int count = (int) Math.min(MOST_FONTS, file.u32(8));
        List<Long> fonts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            fonts.add(file.u32(12 + 4L * i));
        }
        return fonts.isEmpty() ? MediaFacts.none(container(), End.UNREAD) : read(file, fonts);
    }

    private MediaFacts read(Window file, List<Long> fonts) throws IOException {
        End end = End.WHOLE;
        Map<String, long[]> first = new HashMap<>();
        for (long font : fonts) {
            int tables = font + 12 <= file.length() ? file.u16(font + 4) : 0;
            if (font + 28 > file.length() || !isFont(file, font) || file.u32(font + 20) < 12) {
                // A beginning without anything behind it; in a collection one whose font is not there.
                return MediaFacts.none(container(), font > 0 && font + 28 > file.length() ? End.CUT : End.UNREAD);
            }
            for (int i = 0; i < Math.min(tables, MOST_TABLES) && end == End.WHOLE; i++) {
                long at = font + 12 + 16L * i;
                if (at + 16 > file.length() || file.u32(at + 8) + file.u32(at + 12) > file.length()) {
                    end = End.CUT;
                } else if (font == fonts.get(0)) {
                    first.putIfAbsent(file.text(at, 4), new long[]{file.u32(at + 8), file.u32(at + 12)});
                }
            }
        }
        return content(container(), end, end == End.CUT ? Optional.empty() : table(file, first.get("name")),
                end == End.CUT ? Optional.empty() : table(file, first.get("maxp")));
    }

    private static Optional<byte[]> table(Window file, long[] place) throws IOException {
        return place == null || place[1] > MOST_NAMES ? Optional.empty() : Optional.of(file.bytes(place[0], (int) place[1]));
    }

    /** Also of fonts that are packed. */
    static MediaFacts content(String container, End end, Optional<byte[]> name, Optional<byte[]> maxp) {
        Optional<FontNames> names = name.map(FontNames::new);
        OptionalLong glyphs = maxp.filter(table -> table.length >= 6)
                .map(table -> OptionalLong.of((table[4] & 0xff) << 8 | table[5] & 0xff)).orElse(OptionalLong.empty());
        boolean says = names.isPresent() || glyphs.isPresent();
        return new MediaFacts(container, end, Optional.empty(), List.of(), List.of(), says
                ? Optional.of(new MediaContent.Font(names.flatMap(FontNames::family), names.flatMap(FontNames::style), glyphs))
                : Optional.empty());
    }
}
