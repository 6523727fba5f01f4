package org.opensatchel.web.feedback;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.print.PdfPrinter;
import org.opensatchel.web.report.ReportPage;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The report that a signed link in a mail opens: that one, to read, without signing in. */
@Controller
class FeedbackLinkController {

    private final FeedbackLetterService slips;
    private final HandInService handIns;
    private final ReportPage pages;
    private final PdfPrinter printer;

    FeedbackLinkController(FeedbackLetterService slips, HandInService handIns, ReportPage pages, PdfPrinter printer) {
        this.slips = slips;
        this.handIns = handIns;
        this.pages = pages;
        this.printer = printer;
    }

    @GetMapping("/slips/{token}")
    String report(@PathVariable String token, @RequestParam(defaultValue = "1") int page, Model model, HttpServletResponse response) {
        HandInService.Shown shown = handIns.forLink(slips.opened(token).orElseThrow(NotAccessible::new).handIn());
        if (!shown.handIn().isDone()) {
            throw new NotAccessible();
        }
        // Whoever has the address has the report: it is passed on to nobody, and kept by nobody on the way.
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Robots-Tag", "noindex");
        model.addAttribute("assignment", shown.place().assignment());
        model.addAttribute("student", shown.place().student());
        model.addAttribute("handIn", shown.handIn());
        model.addAttribute("byInstructor", false);
        model.addAttribute("byLink", token);
        pages.fill(shown, page, Map.of(), model);
        return "report/report";
    }

    @GetMapping("/slips/{token}/slip.pdf")
    CompletableFuture<ResponseEntity<byte[]>> pdf(@PathVariable String token) {
        FeedbackLetterService.SentSlip slip = slips.opened(token).orElseThrow(NotAccessible::new);
        HandInService.Shown shown = handIns.forLink(slip.handIn());
        // Who has a link has no account; they are taken for the student it was sent to.
        return FeedbackLetterController.printed(printer, -shown.handIn().enrolmentId(), shown, slip.text());
    }
}
