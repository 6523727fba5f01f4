package org.opensatchel.web.print;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.opensatchel.web.errand.Errands;
import org.opensatchel.web.errand.Lent;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.Errand;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** Fills templates under {@code print/}, and has a worker make PDF files of them: what stands in them may be long, and is a stranger's. */
@Component
public class PdfPrinter {

    private final SpringTemplateEngine templates;
    private final Errands errands;

    PdfPrinter(SpringTemplateEngine templates, Errands errands) {
        this.templates = templates;
        this.errands = errands;
    }

    /** The page that a PDF file is made of, which needs nothing beside it. */
    public String page(String template, Map<String, Object> values) {
        return templates.process(template, new Context(Speech.words().locale(), values));
    }

    /**
     * Has it made, without a thread that waits.
     *
     * @param account who waits for it
     * @param values what the template shows
     * @throws Errands.Busy when they wait for as much as one may
     */
    public CompletableFuture<byte[]> pdf(long account, String template, Map<String, Object> values) {
        String page = page(template, values);
        return errands.ask(account, () -> new Lent<>(new Errand.Print(page), List.of()), errands.page());
    }
}
