package org.opensatchel.web.handin;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;

/** Reports as they are kept: the exact JSON bytes, compressed. */
final class Compressed {

    private Compressed() {
    }

    static byte[] pack(byte[] json) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(json);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    static byte[] unpack(byte[] packed) {
        try (GZIPInputStream zip = new GZIPInputStream(new ByteArrayInputStream(packed))) {
            return zip.readAllBytes();
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }
}
