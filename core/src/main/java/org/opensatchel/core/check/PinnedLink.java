package org.opensatchel.core.check;

import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link that holds the whole path of a file that is in the project. */
final class PinnedLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A link is tied to one place", "It opens only where the project lies now: on another drive, or another computer, it leads nowhere.",
            "Have your program save relative paths, if it can.", "Link the file again from inside the project folder.", "Save, and hand in again.");

    PinnedLink() {
        super(Outcome.PINNED);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_PINNED, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        String target = link.target().map(Object::toString).orElse(name(link));
        return finding(evidence, Code.LINK_PINNED, ADVICE, link).saying("“" + (target.isEmpty() ? name(link) : target) + "” is in the folder, but is linked as “" + link.link().text()
                + "”" + link.oldRoot().map(root -> ", which holds only while the project lies at “" + root + "”").orElse("") + ".");
    }
}
