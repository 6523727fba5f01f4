package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.LinkForm;
import org.opensatchel.core.resolve.Outcome;

/** A link from the root of the site, which works on a server and not when the page is opened from the folder. */
final class WebRootLink implements Check {

    private static final Advice ADVICE = Advice.of("A link counts from the site's root", "On a server it works; opened from the folder, it looks at the top of the whole disk.",
            "Write the link from the page instead, without the slash in front.", "Save, and open the page from the folder to see that it holds.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_WEB_ROOT, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.resolution().links().stream().filter(link -> link.form() == LinkForm.ROOTED && link.outcome() == Outcome.OK)
                .map(link -> Finding.of(Code.LINK_WEB_ROOT, ADVICE).path(link.link().document()).at(link.link().at())
                        .saying("“" + link.link().text() + "” begins with a slash: it is found on a server only."))
                .toList();
    }
}
