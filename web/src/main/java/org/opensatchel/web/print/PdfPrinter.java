package org.opensatchel.web.print;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import org.jsoup.Jsoup;
import org.jsoup.helper.W3CDom;
import org.opensatchel.web.text.Speech;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Makes PDF files (ISO 32000) of templates under {@code print/}, in the fonts of the pages. What our fonts have no letters for is written
 * in one that has Greek, Cyrillic and more; nothing is fetched, and nothing of a student is rendered but text.
 */
@Component
public class PdfPrinter {

    private static final int PLAIN = 400;
    private static final int BOLD = 700;

    private final SpringTemplateEngine templates;

    PdfPrinter(SpringTemplateEngine templates) {
        this.templates = templates;
    }

    /** The page that a PDF file is made of, which needs nothing beside it. */
    public String page(String template, Map<String, Object> values) {
        return templates.process(template, new Context(Speech.words().locale(), values));
    }

    /** @param values what the template shows */
    public byte[] pdf(String template, Map<String, Object> values) {
        String page = page(template, values);
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
        try {
            builder.run();
        } catch (IOException broke) {
            throw new UncheckedIOException(broke);
        }
        return out.toByteArray();
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> open("print/" + file + ".ttf"), family, weight, FontStyle.NORMAL, true);
    }

    private static InputStream open(String file) {
        try {
            return new ClassPathResource(file).getInputStream();
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }
}
