package org.opensatchel.formats.font;

import java.io.IOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** WOFF (W3C WOFF File Format 1.0, sections 4 and 5): the tables of a font, each packed by itself. */
final class WoffFacts implements MediaReader {

    private static final int MOST_TABLES = 512;
    private static final int MOST_UNPACKED = 1 << 20;

    @Override
    public String container() {
        return "WOFF";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "wOFF");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        int tables = file.u16(12);
        if (tables == 0 || tables > MOST_TABLES) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        if (!Character.isLetterOrDigit(file.u8(44)) && file.u8(44) != '/') {
            return MediaFacts.none(container(), End.UNREAD);
        }
        if (file.u32(8) > file.length()) {
            return MediaFacts.none(container(), End.CUT);
        }
        Optional<byte[]> name = Optional.empty();
        Optional<byte[]> maxp = Optional.empty();
        for (int i = 0; i < tables; i++) {
            long at = 44 + 20L * i;
            name = file.has(at, "name") ? unpacked(file, at) : name;
            maxp = file.has(at, "maxp") ? unpacked(file, at) : maxp;
        }
        return FontFacts.content(container(), End.WHOLE, name, maxp);
    }

    private static Optional<byte[]> unpacked(Window file, long entry) throws IOException {
        long packed = file.u32(entry + 8);
        long whole = file.u32(entry + 12);
        if (whole > MOST_UNPACKED || packed > whole) {
            return Optional.empty();
        }
        byte[] bytes = file.bytes(file.u32(entry + 4), (int) packed);
        if (packed == whole) {
            return Optional.of(bytes);
        }
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(bytes);
            byte[] out = new byte[(int) whole];
            return Optional.of(Arrays.copyOf(out, inflater.inflate(out)));
        } catch (DataFormatException broken) {
            return Optional.empty();
        } finally {
            inflater.end();
        }
    }
}
