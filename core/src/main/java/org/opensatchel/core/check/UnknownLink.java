package org.opensatchel.core.check;

import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.LinkForm;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link that cannot be followed from here: it holds a variable, or leads into a companion that was not handed in. */
final class UnknownLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A link cannot be followed from here", "Where it leads depends on the computer it is opened on.",
            "Link the file from inside the project folder instead, if you can.");

    UnknownLink() {
        super(Outcome.UNKNOWN);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_UNKNOWN, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        String reason = link.form() == LinkForm.VARIABLE ? "it holds a variable, which every computer fills in its own way" : "the folder it leads into was not handed in";
        return finding(evidence, Code.LINK_UNKNOWN, ADVICE, link).saying("Where “" + link.link().text() + "” leads cannot be told: " + reason + ".");
    }
}
