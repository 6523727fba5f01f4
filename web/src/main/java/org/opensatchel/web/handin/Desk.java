package org.opensatchel.web.handin;

import java.util.Map;
import org.opensatchel.core.review.Judgement;
import org.springframework.ui.Model;

/** What somebody who teaches has beside a student's report, and the student has not; another feature lays it there. */
public interface Desk {

    /**
     * @param judgement what counts of the report; null while it is being checked
     * @param asked the query of the page's address
     */
    void lay(HandInService.Shown shown, Judgement judgement, Map<String, String> asked, Model model);
}
