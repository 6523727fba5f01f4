package org.opensatchel.web.feedback;

import java.util.List;
import java.util.Map;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.judging.Judged;
import org.opensatchel.web.report.BesideReport;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Lays what was sent back beside the student's own report. */
@Component
class FeedbackBesideReport implements BesideReport {

    private final FeedbackLetterService slips;

    FeedbackBesideReport(FeedbackLetterService slips) {
        this.slips = slips;
    }

    @Override
    public void lay(HandInService.Shown shown, Judged judged, Map<String, String> asked, Model model) {
        boolean byLink = model.containsAttribute("byLink");
        boolean own = SecurityContextHolder.getContext().getAuthentication() != null
                && SecurityContextHolder.getContext().getAuthentication().getPrincipal() instanceof SignedIn me
                && shown.isOf(me.accountId());
        if (byLink || own) {
            model.addAttribute("slip", slips.sent(List.of(shown.handIn().id())).get(shown.handIn().id()));
        }
    }
}
