package org.opensatchel.web.handin;

import java.util.Map;
import org.opensatchel.core.review.Judgement;
import org.springframework.ui.Model;

/** What other features lay beside a report; what the student must not see they lay for those who teach alone. */
public interface Desk {

    /**
     * @param judgement what counts of the report; null while it is being checked
     * @param asked the query of the page's address
     */
    void lay(HandInService.Shown shown, Judgement judgement, Map<String, String> asked, Model model);
}
