package org.opensatchel.worker;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportJson;

/** Parts of reports as they travel and are kept: the exact JSON bytes, compressed (RFC 1952). */
public final class Packed {

    private Packed() {
    }

    public static byte[] pack(byte[] json) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(Math.max(64, json.length / 8));
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(json);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    public static byte[] unpack(byte[] packed) {
        try (InputStream zip = open(packed)) {
            return zip.readAllBytes();
        } catch (IOException damaged) {
            throw new UncheckedIOException(damaged);
        }
    }

    /** A whole report that lies in a file, compressed. */
    static Report report(Path file) throws IOException {
        return ReportJson.read(unpack(Files.readAllBytes(file)));
    }

    /** The JSON as a stream, for what may be long. */
    public static InputStream open(byte[] packed) throws IOException {
        return new GZIPInputStream(new ByteArrayInputStream(packed), 1 << 16);
    }
}
