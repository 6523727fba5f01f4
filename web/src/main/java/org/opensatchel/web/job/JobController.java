package org.opensatchel.web.job;

import java.util.regex.Pattern;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Ends jobs that somebody asked for and does not want any more. */
@Controller
class JobController {

    /** Where one may be led to: a page of ours. */
    private static final Pattern PAGE = Pattern.compile("/(courses|assignments|hand-ins|pre-checks)/[0-9]{1,18}(/[a-z-]{1,30})?");

    private final JobService jobs;

    JobController(JobService jobs) {
        this.jobs = jobs;
    }

    @PostMapping("/jobs/{id}/cancel")
    String cancel(@PathVariable long id, @RequestParam(defaultValue = "") String back, @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect) {
        jobs.cancel(id, me.accountId());
        redirect.addFlashAttribute("told", Speech.say("job.cancelled"));
        return "redirect:" + (PAGE.matcher(back).matches() ? back : "/");
    }
}
