package org.opensatchel.web.report;

import java.util.Map;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.judging.Judged;
import org.springframework.ui.Model;

/** What other features lay beside a report; what the student must not see they lay for those who teach alone. */
public interface BesideReport {

    /**
     * @param judged the report with what was decided about it; null while it is being checked
     * @param asked the query of the page's address
     */
    void lay(HandInService.Shown shown, Judged judged, Map<String, String> asked, Model model);
}
