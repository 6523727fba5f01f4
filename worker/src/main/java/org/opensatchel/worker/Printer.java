package org.opensatchel.worker;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.helper.W3CDom;

/**
 * Makes PDF files (ISO 32000) of pages, in the fonts of the pages. What our fonts have no letters for is written in one that has Greek,
 * Cyrillic and more; nothing is fetched, and nothing of a student is rendered but text.
 */
final class Printer {

    private static final int PLAIN = 400;
    private static final int BOLD = 700;

    private Printer() {
    }

    /** @param page the page as HTML; it needs nothing beside it */
    static byte[] pdf(String page) throws IOException {
        XRLog.setLoggingEnabled(false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        font(builder, "next-latin-400", "Next", PLAIN);
        font(builder, "next-latin-700", "Next", BOLD);
        font(builder, "next-latin-ext-400", "NextMore", PLAIN);
        font(builder, "next-latin-ext-700", "NextMore", BOLD);
        font(builder, "mono-latin-400", "Mono", PLAIN);
        font(builder, "mono-latin-ext-400", "MonoMore", PLAIN);
        font(builder, "DejaVuSans", "Others", PLAIN);
        // No address leads anywhere: the templates are ours, and what they show is text.
        builder.useUriResolver((base, uri) -> null);
        builder.withW3cDocument(new W3CDom().fromJsoup(Jsoup.parse(page)), "");
        builder.withProducer("Open Satchel");
        builder.toStream(out);
        builder.run();
        return out.toByteArray();
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> open("/print/" + file + ".ttf"), family, weight, FontStyle.NORMAL, true);
    }

    private static InputStream open(String file) {
        return Optional.ofNullable(Printer.class.getResourceAsStream(file))
                .orElseThrow(() -> new UncheckedIOException(new FileNotFoundException(file)));
    }
}
